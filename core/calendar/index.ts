export * from './calendar';
export * from './icalendar';
