export * from './case-json-schema';
