import { CONFIGURATIONS, everyEdition, plugFits, type ConfigurationName } from '../../codebook';
import { absence, cordAt, type FactPath } from '../../case';
import { Missing } from '../../electrical';
import { holds, rule, violation } from '../rule';

export default rule({
  id: 'cord/ends-mate',
  holds: 'Each end of every cord is of the configuration it plugs into.',
  severity: 'correction',
  cites: everyEdition('406.7', '110.3(B)'),
  facts: ['transfer.kind', 'source.outlet', 'cord.sourceEnd', 'cord.inletEnd', 'inlet.configuration'],
  check: (look) => {
    // Along the way: receptacle, plug, connector, plug, …, inlet. Each pair of neighbors must mate.
    const joints: [FactPath, FactPath][] = [];
    let behind: FactPath = 'source.outlet';
    for (let i = 0; i < look.cords; i++) {
      joints.push([behind, cordAt(i).sourceEnd]);
      behind = cordAt(i).inletEnd;
    }
    // Whether there is an inlet to mate with, the transfer equipment decides.
    const kind = look.known('transfer.kind');
    if (kind && !absence('inlet', kind)) joints.push([behind, 'inlet.configuration']);

    const missing = new Set<string>(kind ? [] : ['transfer.kind']);
    for (const [ahead, plugged] of joints) {
      const receptacle = look.known(ahead) as ConfigurationName | undefined;
      const plug = look.known(plugged) as ConfigurationName | undefined;
      if (receptacle === undefined) missing.add(ahead);
      if (plug === undefined) missing.add(plugged);
      if (receptacle && plug && !plugFits(plug, receptacle)) {
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
    if (missing.size > 0) throw new Missing([...missing]);
    return holds('Every end mates with what it plugs into.');
  },
});
