export * from './storm';
