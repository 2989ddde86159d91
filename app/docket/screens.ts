export { CorrectHead } from '../inspection/correct-head';
export { DecisionForm } from './decision-form';
export { RecordScreen } from './record-screen';
export { VisitScreen } from './visit-screen';
export { PaperScreen } from '../papers/paper-screen';
export { MorningScreen } from './morning-screen';
export { CalendarScreen } from './calendar-screen';
export { MonthScreen } from './month-screen';
export { HistoryScreen } from './history-screen';
export { KeepingScreen } from './keeping-screen';
// What has a form of its own comes in one piece with these: in two, the package of forms would be in the first load.
export { NewScreen } from '../inspections/new-screen';
export { JoinScreen } from '../people/join-screen';
export { SetUpForm } from '../people/set-up-form';
