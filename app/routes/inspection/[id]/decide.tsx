import { DocketScreen } from '../../../docket/lazy';

export default function DecideRoute() {
  return <DocketScreen name="decide" />;
}
