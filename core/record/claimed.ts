import { emptyCase, factAt, factLabel, recordedFacts, stationOf, valueText, type Station } from '../case';
import type { Inspection, Signed } from './inspection';

/** A fact as it was claimed, and as it was found; undefined where nobody has looked yet. */
export interface Compared {
  readonly path: string;
  readonly label: string;
  readonly claimed: string;
  readonly found: string | undefined;
  readonly differs: boolean;
}

/** Each fact that was claimed beside what the office has found of it; of one station, or of all. */
export function claimedAndFound({ claimed, case: c }: Inspection, station?: Station): Compared[] {
  if (!claimed) return [];
  const paths = recordedFacts(claimed.case).filter((path) => station === undefined || stationOf(path) === station);
  return paths.map((path) => {
    const [said, seen] = [factAt(claimed.case, path), factAt(c, path)];
    return {
      path,
      label: factLabel(path),
      claimed: valueText(path, said),
      found: seen === undefined ? undefined : valueText(path, seen),
      differs: seen !== undefined && seen !== said,
    };
  });
}

/** Whether the office was asked for an inspection, and nobody has decided on it yet. */
export const isRequested = ({ claimed, decisions }: Inspection): boolean =>
  claimed !== undefined && decisions.length === 0;

const handedOver = (signed: Signed): boolean => 'handover' in signed && signed.handover !== '';

/** An inspection as a contractor sees it: never why its record is held, nor what inspectors leave one another; what the office records of his house is its own until it has decided. */
export function issuedToContractor(whole: Inspection): Inspection {
  const { hold, ...docket } = whole.docket; // that somebody has asked for the record is between them and the office
  const issued = hold ? { ...whole, docket } : whole;
  const inspection = whole.decisions.some(handedOver)
    ? { ...issued, decisions: whole.decisions.map((one) => (handedOver(one) ? { ...one, handover: '' } : one)) }
    : issued;
  if (!isRequested(inspection)) return inspection;
  const { conflicts: _, ...rest } = inspection;
  return {
    ...rest,
    case: emptyCase(inspection.case.edition),
    docket: { ...inspection.docket, violations: [], notTakenUp: [], conditions: [] },
    evidence: inspection.evidence.filter(({ by }) => by === inspection.claimed!.by),
  };
}
