import { RecordScreen } from '../../../inspection/record-screen';
import { useWalk } from '../../../inspection/use-inspection';

export default function RecordRoute() {
  const walk = useWalk();
  return walk ? <RecordScreen inspection={walk.inspection} /> : null;
}
