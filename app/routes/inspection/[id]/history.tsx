import { DocketScreen } from '../../../docket/lazy';

export default function HistoryRoute() {
  return <DocketScreen name="history" />;
}
