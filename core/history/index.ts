export * from './history';
