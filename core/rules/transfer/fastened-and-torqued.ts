import { everyEdition } from '../../codebook';
import { rounded } from '../../electrical';
import { SAFE_FIRST, holds, rule, violation, without } from '../rule';

export default rule({
  id: 'transfer/fastened-and-torqued',
  holds: 'Terminals and fasteners have the maker’s torque, measured with a tool, or signed for with a date.',
  severity: 'correction',
  cites: everyEdition('110.14(D)'),
  facts: [
    'transfer.kind',
    'transfer.otherKind',
    'transfer.makerTorqueLbIn',
    'transfer.torqueLbIn',
    'transfer.torqueTool',
    'transfer.torqueSigned',
  ],
  notApplicable: without('inlet'),
  check: (look) => {
    const hasValue = look.asks('transfer.torqueLbIn');
    look.needAll(
      'transfer.makerTorqueLbIn',
      ...(hasValue ? (['transfer.torqueLbIn'] as const) : []),
      'transfer.torqueTool',
    );
    const makerLbIn = look.need('transfer.makerTorqueLbIn');
    if (look.need('transfer.torqueTool') === 'no' && look.need('transfer.torqueSigned') === 'no')
      return violation(
        'No torque tool was used, and nobody signed for the value; the number is a guess.',
        `${SAFE_FIRST}set it to ${makerLbIn} lb-in with a calibrated tool.`,
        { allowed: makerLbIn, unit: 'lb-in' },
      );
    const foundLbIn = look.need('transfer.torqueLbIn');
    const percent = look.number('torquePercent');
    const detail = { found: foundLbIn, allowed: makerLbIn, unit: 'lb-in' };
    const off = look.step(
      'Off the maker’s value',
      rounded((Math.abs(foundLbIn - makerLbIn) / makerLbIn) * 100),
      '%',
      `${foundLbIn} of ${makerLbIn} lb-in`,
    );
    return off <= percent
      ? holds(`${foundLbIn} lb-in found, ${makerLbIn} lb-in asked for.`, detail)
      : violation(
          `${foundLbIn} lb-in found, ${makerLbIn} lb-in asked for.`,
          `Set it to ${makerLbIn} lb-in with a calibrated tool.`,
          detail,
        );
  },
});
