import { DocketScreen } from '../../../docket/lazy';

export default function PaperRoute() {
  return <DocketScreen name="paper" />;
}
