import { CONFIGURATIONS, everyEdition, plugFits, type ConfigurationName } from '../../codebook';
import { cordAt, type FactPath } from '../../case';
import { cordBehind, lacking, type Attempt } from '../../electrical';
import { holds, rule, violation, withoutCord } from '../rule';

export default rule({
  id: 'cord/ends-mate',
  holds: 'Each end of every cord is of the configuration it plugs into.',
  severity: 'correction',
  cites: everyEdition('406.7', '110.3(B)'),
  facts: [
    'transfer.kind', 'source.connection', 'source.outlet', 'cord.part', 'cord.daisyChained', 'cord.sourceEnd', 'cord.inletEnd', 'inlet.configuration',
  ], // prettier-ignore
  notApplicable: withoutCord,
  check: (look) => {
    // Along the way: receptacle, plug, connector, plug, …, inlet. Each pair of neighbors must mate.
    // For appliances each cord goes its own way, but where one is plugged into another.
    const wired = look.attempt((side) => side.has('wired'));
    const joints: [FactPath, FactPath][] = [];
    const parts: Attempt<unknown>[] = [wired];
    for (let i = 0; i < look.cords; i++) {
      const behind = look.attempt((side) => cordBehind(side, i));
      parts.push(behind);
      if (behind.missing.length === 0)
        joints.push([
          behind.value === undefined ? 'source.outlet' : cordAt(behind.value).inletEnd,
          cordAt(i).sourceEnd,
        ]);
    }
    const inlet = look.attempt((side) => side.has('inlet'));
    if (inlet.value) joints.push([cordAt(look.cords - 1).inletEnd, 'inlet.configuration']);

    const missing = new Set<string>();
    for (const [ahead, plugged] of joints) {
      const receptacle = look.known(ahead) as ConfigurationName | undefined;
      const plug = look.known(plugged) as ConfigurationName | undefined;
      if (receptacle === undefined) missing.add(ahead);
      if (plug === undefined) missing.add(plugged);
      // An appliance’s cord may hang on any of the source’s 120 V receptacles; whether it is one may be unknown still.
      const small = wired.value !== true && ahead === 'source.outlet' && plug !== undefined && plugFits(plug, '5-20');
      if (receptacle && plug && !small && !plugFits(plug, receptacle)) {
        const same = CONFIGURATIONS[plug].wires === CONFIGURATIONS[receptacle].wires;
        return violation(
          `${plug} does not go into ${receptacle}.`,
          same
            ? `Use a cord made with ${receptacle} at this end; no home-made adapter.`
            : `Use a cord made for ${receptacle}; the number of wires differs, so an adapter would lose or bridge one.`,
          { found: plug, allowed: receptacle },
        );
      }
    }
    lacking([...parts, inlet], ...missing);
    return holds('Every end mates with what it plugs into.');
  },
});
