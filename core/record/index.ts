export * from './evidence';
export * from './inspection';
export * from './change';
