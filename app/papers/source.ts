import type { Inspection, Signed } from '@careful-latch/core/record';
import { becameOf, sourceOfInspection, type PaperSource } from '@careful-latch/core/papers';
import type { SignedRecord } from '../stores/office';

/** What the papers of a decision are made from: as the office sealed it, else as this device has it, and then provisional. */
export function sourceOf(
  inspection: Inspection,
  signed: Signed,
  sealed: SignedRecord | undefined,
  office: string,
): PaperSource {
  if (!sealed) return sourceOfInspection(inspection, signed, signed.signature.name, office);
  const { record, seal, number } = sealed;
  return {
    inspection: inspection.id,
    header: record.header,
    case: record.case,
    evaluation: record.evaluation,
    rules: record.rules,
    offlineUntil: record.offline ? record.receivedAt : undefined,
    evidence: record.evidence ?? [],
    docket: record.docket ?? inspection.docket,
    decision: record.decision,
    signedBy: record.signedBy.name,
    office: record.office.name,
    became: becameOf(inspection.docket, signed.id),
    sealed: number === null ? undefined : { number, seal, checkAt: `${window.location.origin}/papers/${sealed.id}` },
  };
}
