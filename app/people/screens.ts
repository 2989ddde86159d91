export { OwnAccountScreen } from './own-account';
export { PeopleScreen } from './people-screen';
export { OfficeListScreen } from '../inspections/office-list';
export { RulesScreen } from './rules-screen';
export { Settings } from './settings';
