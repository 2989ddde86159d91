export * from './search';
export * from './mechanisms';
export * from './function-test';
export * from './site';
