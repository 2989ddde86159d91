export * from './evidence';
export * from './inspection';
export * from './change';
export * from './shown';
