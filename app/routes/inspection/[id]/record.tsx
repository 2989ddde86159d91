import { DocketScreen } from '../../../docket/lazy';

export default function RecordRoute() {
  return <DocketScreen name="record" />;
}
