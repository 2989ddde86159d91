export * from './fact';
export * from './schema';
export * from './path';
export * from './catalogue';
export * from './stations';
export * from './read';
export * from './upgrade';
export * from './mechanisms';
