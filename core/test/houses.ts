import fc from 'fast-check';
import { CATALOGUE, catalogueKey, recordedFacts, withFact } from '../case';
import { EXAMPLES, example } from './examples';

/** Generated houses; HOUSES=10000 asks for more. */
export const HOUSES = Number(process.env.HOUSES ?? 1500);
const anyOf = (key: string) => {
  const meta = CATALOGUE.get(key)!;
  return meta.kind === 'amount'
    ? fc.oneof(
        ...meta.choices.map((one) => fc.constant(Number(one.value))),
        fc.constant(meta.min!),
        fc.constant(meta.max!),
      )
    : fc.constantFrom(...meta.choices.map((one) => one.value));
};
/** A house of one of the examples with up to six facts answered otherwise. */
export const anyHouse = fc
  .tuple(fc.constantFrom(...EXAMPLES), fc.array(fc.tuple(fc.nat(), fc.infiniteStream(fc.nat())), { maxLength: 6 }))
  .chain(([name, changes]) => {
    const c = example(name);
    const facts = recordedFacts(c).filter((path) => path !== 'transfer.kind');
    const paths = [...new Set(changes.map(([n]) => facts[n % facts.length]!))];
    return fc
      .tuple(...paths.map((path) => anyOf(catalogueKey(path))))
      .map((values) => values.reduce((now, value, i) => withFact(now, paths[i]!, value), c));
  });
