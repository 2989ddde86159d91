export * from './case-json-schema';
export * from './circuits';
export * from './example';
export * from './lists';
