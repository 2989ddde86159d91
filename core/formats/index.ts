export * from './case-json-schema';
export * from './circuits';
export * from './lists';
