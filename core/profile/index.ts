export * from './profile';
export { LOCAL, rulesOf } from './local-rules';
