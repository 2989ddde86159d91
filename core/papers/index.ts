export * from './paper';
export * from './papers';
export * from './print';
export * from './redact';
