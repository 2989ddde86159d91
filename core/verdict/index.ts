export * from './verdict';
export * from './causes';
export * from './told';
