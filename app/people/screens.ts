export { JoinScreen } from './join-screen';
export { OwnAccountScreen } from './own-account';
export { PeopleScreen } from './people-screen';
export { Settings } from './settings';
