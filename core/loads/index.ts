export * from './legs';
