import { everyEdition } from '../../codebook';
import { JOINING_FACTS, RIGHT_ANSWERS, functionTest, mechanismAt, parallelSequence, settingOf } from '../../interlock';
import { Missing, lacking } from '../../electrical';
import { valueWords, holds, rule, violation, withoutEquipment } from '../rule';

export default rule({
  id: 'transfer/prevents-parallel',
  holds: 'No sequence of moves closes both sources: tried by hand, and searched in the model.',
  severity: 'hazard',
  cites: everyEdition('702.5'),
  not: 'What happens with the cover off (transfer/works-without-cover), and the inside of a switch that nobody opens.',
  facts: [
    'transfer.kind', 'transfer.otherKind', ...JOINING_FACTS, 'transfer.mechanism', 'transfer.fit', 'transfer.alteration', 'transfer.mountedOn',
    'breaker.heldDown', 'function.cycle', 'breaker.construction', 'breaker.atInterlock', 'loads.circuits.moved', 'loads.circuits.volts', 'loads.circuits.paired',
  ], // prettier-ignore
  notApplicable: withoutEquipment,
  check: (look) => {
    const remedy = 'Do not energize. Replace or repair it as its listing says, and try every move again.';
    for (const path of JOINING_FACTS) {
      const answer = look.asks(path) ? look.known(path) : undefined;
      if (answer !== undefined && answer !== RIGHT_ANSWERS[path])
        return violation('Tried by hand, both sources closed; a line worker would meet this source’s voltage.', remedy);
    }
    const name = look.attempt(mechanismAt);
    const model = look.attempt((side) => parallelSequence(side));
    look.adopt(model);
    if (model.value) {
      const words = model.value.map((move) => move.words).join('; ');
      look.step('Shortest sequence that the model finds', words, '', 'exhaustive search');
      return violation(`With what was found, this closes both sources: ${words}.`, remedy);
    }
    lacking([name]);
    const asked = functionTest(name.value!, settingOf(look.kind, look.known('transfer.mountedOn')));
    const missing = JOINING_FACTS.filter((path) => look.known(path) === undefined).filter((path) =>
      asked.some(({ fact }) => fact === path),
    );
    if (model.missing.length > 0) lacking([model], ...missing);
    if (missing.length > 0) throw new Missing(missing);
    const fit = look.need('transfer.fit');
    if (fit !== 'sound')
      throw new Missing(
        ['transfer.fit', 'transfer.mechanism'],
        `“${valueWords('transfer.fit', fit)}” is nothing that the model of this mechanism can have, so it says nothing of it: look again how it sits, and what keeps the sources apart.`,
      );
    if (look.has('automatic') && look.need('function.cycle') === 'yes')
      return holds(
        'No sequence in the model closes both, and it was seen to go over and come back by itself; nobody pushed a contactor.',
      );
    look.step('Sequences that close both sources', 0, '', 'exhaustive search of every state');
    return holds('Blocked by hand every way, and no sequence in the model closes both.');
  },
});
