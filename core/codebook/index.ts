export * from './editions';
export * from './conductors';
export * from './devices';
export * from './configurations';
export * from './methods';
