export * from './verdict';
export { evaluator } from './memory';
