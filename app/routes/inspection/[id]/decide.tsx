import { DecisionForm } from '../../../inspection/decision-form';
import { useWalk } from '../../../inspection/use-inspection';

export default function DecideScreen() {
  const walk = useWalk();
  return walk ? <DecisionForm walk={walk} /> : null;
}
