export * from './inspection';
export * from './change';
