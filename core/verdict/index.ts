export * from './verdict';
