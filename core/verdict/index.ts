export * from './verdict';
export * from './causes';
