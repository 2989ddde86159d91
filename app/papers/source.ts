import type { Inspection, Signed } from '@careful-latch/core/record';
import { becameOf, orderOf, sourceOfInspection, type PaperSource } from '@careful-latch/core/papers';
import type { SignedRecord } from '../stores/office';

/** The office that a paper is of. */
export interface OfficeOfPaper {
  readonly name: string;
  readonly zone?: string;
}

/** What the papers of a decision are made from: as the office sealed it, else as this device has it, and then provisional. */
export function sourceOf(
  inspection: Inspection,
  signed: Signed,
  sealed: SignedRecord | undefined,
  office: OfficeOfPaper | null,
): PaperSource {
  const zone = office?.zone ?? Intl.DateTimeFormat().resolvedOptions().timeZone; // a device that has not heard of it yet
  if (!sealed) return sourceOfInspection(inspection, signed, signed.signature.name, office?.name ?? '', zone);
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
    zone,
    order: orderOf(inspection.docket, signed.id),
    became: becameOf(inspection.docket, signed.id),
    sealed: number === null ? undefined : { number, seal, checkAt: `${window.location.origin}/papers/${sealed.id}` },
  };
}
