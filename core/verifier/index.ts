/**
 * A program for whoever is given a record and has neither the office nor this application: Node and nothing else. It holds each
 * sealed record against its signed line, the records against the office's statement of which there are, and the keys against the
 * fingerprint that the office gives by another way; and says of each whether it is as it was sealed, or what it cannot prove.
 */
export const VERIFIER = `// node verify.mjs [--key FINGERPRINT] [FILE]: checks record.json. Needs Node 20 and nothing else.
// Ends with 0: proved; 1: something is wrong; 2: nothing is wrong, and something is not proved.
import { createHash, createPublicKey, verify } from 'node:crypto';
import { readFileSync } from 'node:fs';

const args = process.argv.slice(2);
const at = args.indexOf('--key');
const expected = at < 0 ? undefined : args.splice(at, 2)[1];
const file = args[0] ?? 'record.json';
const stop = (why) => {
  console.error(why);
  process.exit(2);
};
const NO_FILE = file + ' is no record that can be read. Right would be the file that “Save as a file” gives on a record’s screen, or record.json of a package.';
const read = () => {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    return stop(NO_FILE);
  }
};
const { records, keys, statement } = read();
if (!Array.isArray(records) || !Array.isArray(keys)) stop(NO_FILE);

/** Canonical JSON, RFC 8785. */
const canonical = (data) =>
  Array.isArray(data)
    ? '[' + data.map(canonical).join(',') + ']'
    : data !== null && typeof data === 'object'
      ? '{' + Object.keys(data).sort().filter((key) => data[key] !== undefined).map((key) => JSON.stringify(key) + ':' + canonical(data[key])).join(',') + '}'
      : JSON.stringify(data);
const hash = (text, as) => createHash('sha256').update(text).digest(as);
const sha256 = (text) => hash(text, 'hex');
/** What a key is called, worked out from the key itself (RFC 7638), not from what the file calls it. */
const fingerprintOf = ({ crv, kty, x }) => hash(canonical({ crv, kty, x }), 'base64url');
/** The owner's name is sealed as a hash with the salt that lies beside it; where the name was destroyed, the hash stands there. */
const asSealed = ({ salt, ...record }) => {
  const { owner } = record.header;
  if (!salt || /^sha256:[0-9a-f]{64}$/.test(owner)) return record;
  return { ...record, header: { ...record.header, owner: 'sha256:' + sha256(salt + ' ' + owner) } };
};
const part = (text) => JSON.parse(Buffer.from(text, 'base64url').toString('utf8'));
/** What a JWS says, and the fingerprint of the key that signed it; undefined where none of the file's keys did. */
const signed = (jws) => {
  try {
    const [head, body, signature] = jws.split('.');
    const { alg, kid } = part(head);
    const key = keys.find((one) => fingerprintOf(one) === kid);
    const holds = key && alg === 'EdDSA' && verify(null, Buffer.from(head + '.' + body), createPublicKey({ key, format: 'jwk' }), Buffer.from(signature, 'base64url'));
    return holds ? { said: part(body), by: kid } : undefined;
  } catch {
    return undefined;
  }
};

let wrong = 0;
const say = (what, why) => {
  if (why) wrong++;
  console.log((why ? 'WRONG  ' : 'holds  ') + what + (why ? ': ' + why : ''));
};
const unproved = [];

const stated = statement && signed(statement);
/** The keys that the office calls its own. */
let own = new Set(keys.map(fingerprintOf));
if (!statement) unproved.push('whether these are all records of the house: the file has no statement of the office');
else if (!stated || stated.said.kind !== 'package') say('the statement of the office', 'it is not signed by a key of the file');
else own = new Set(stated.said.keys);
if (expected === undefined)
  unproved.push('whose key it is. Ask the office for its fingerprint, by another way than this file came (it stands where the code on a paper leads), and add: --key FINGERPRINT. The file names ' + [...own].join(', '));
else if (stated ? stated.by !== expected : !own.has(expected)) say('the key', 'it is ' + (stated?.by ?? [...own].join(', ')) + ', not ' + expected);
else say('the key ' + expected);

let previous = null;
let house = stated?.said.inspection;
records.forEach(({ record, line }, i) => {
  const what = record.decision.kind + ', ' + record.header.address + ', signed ' + record.decision.at;
  const sealed = sha256(canonical(asSealed(record)));
  const { said, by } = (line && signed(line)) ?? {};
  house ??= record.inspection;
  const due = stated?.said.decisions?.[i];
  const why = !line
    ? 'it has no line of the ledger'
    : !said
      ? 'its signature fails: its line is not signed by a key of the file'
      : !own.has(by) || (expected !== undefined && !stated && by !== expected)
        ? 'its line is signed by a key that the office does not call its own'
        : said.record !== sealed
          ? 'its record was edited: it is not what was sealed'
          : said.subject !== record.decision.id
            ? 'its line is about another decision'
            : record.inspection !== house
              ? 'it is of another house'
              : record.previousSeal !== previous
                ? 'the record before it is not the one that it was chained to: one is missing, or they stand in another order'
                : stated && due !== record.decision.id
                  ? 'the office’s statement does not name it at this place'
                  : undefined;
  previous = sealed;
  say(why ? what : what + ', sealed ' + said.at + ' as line ' + said.n, why);
});
if (stated && stated.said.decisions.length > records.length)
  say('the last records', 'the office’s statement of ' + stated.said.at + ' names ' + stated.said.decisions.length + ', and ' + records.length + ' are there');
if (stated && wrong === 0) console.log('These were all records of the house on ' + stated.said.at + '. What was decided since, this file does not know.');
for (const one of unproved) console.log('NOT PROVED  ' + one);
console.log(wrong > 0 ? wrong + ' wrong.' : (records.length === 1 ? '1 record holds' : records.length + ' records hold') + (unproved.length > 0 ? ', as far as this can be proved.' : '.'));
process.exit(wrong > 0 ? 1 : unproved.length > 0 ? 2 : 0);
`;
