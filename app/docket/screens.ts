export { CorrectHead } from '../inspection/correct-head';
export { DecisionForm } from './decision-form';
export { RecordScreen } from './record-screen';
export { VisitScreen } from './visit-screen';
export { PaperScreen } from '../papers/paper-screen';
export { MorningScreen } from './morning-screen';
