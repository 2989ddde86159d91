import { DocketScreen } from '../../../docket/lazy';

export default function VisitRoute() {
  return <DocketScreen name="visit" />;
}
