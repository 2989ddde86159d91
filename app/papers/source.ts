import type { Inspection, Signed } from '@careful-latch/core/record';
import type { PaperSource } from '@careful-latch/core/papers';
import { evaluate } from '@careful-latch/core/verdict';
import type { SignedRecord } from '../stores/office';

/** What the papers of a decision are made from: as the office sealed it, else as this device has it, and then provisional. */
export function sourceOf(
  inspection: Inspection,
  signed: Signed,
  sealed: SignedRecord | undefined,
  office: string,
): PaperSource {
  if (!sealed) {
    const { id, header, case: site, evidence, docket } = inspection;
    const signedBy = signed.signature.name;
    return {
      inspection: id,
      header,
      case: site,
      evaluation: evaluate(site),
      evidence,
      docket,
      decision: signed,
      signedBy,
      office,
    };
  }
  const { record, seal, number } = sealed;
  return {
    inspection: inspection.id,
    header: record.header,
    case: record.case,
    evaluation: record.evaluation,
    evidence: record.evidence ?? [],
    docket: record.docket ?? inspection.docket,
    decision: record.decision,
    signedBy: record.signedBy.name,
    office: record.office.name,
    sealed: number === null ? undefined : { number, seal, checkAt: `${window.location.origin}/papers/${sealed.id}` },
  };
}
