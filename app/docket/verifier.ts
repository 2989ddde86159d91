/**
 * A program for whoever is given a record and has neither the office nor this application: Node and nothing else. It holds each
 * sealed record against its signed line, and says of each whether it is as it was sealed.
 */
export const VERIFIER = `// node verify.mjs: checks record.json beside it. Needs Node 20 and nothing else.
import { createHash, createPublicKey, verify } from 'node:crypto';
import { readFileSync } from 'node:fs';

const { records, keys } = JSON.parse(readFileSync(new URL(process.argv[2] ?? './record.json', import.meta.url), 'utf8'));
/** Canonical JSON, RFC 8785. */
const canonical = (data) =>
  Array.isArray(data)
    ? '[' + data.map(canonical).join(',') + ']'
    : data !== null && typeof data === 'object'
      ? '{' + Object.keys(data).sort().filter((key) => data[key] !== undefined).map((key) => JSON.stringify(key) + ':' + canonical(data[key])).join(',') + '}'
      : JSON.stringify(data);
const sha256 = (text) => createHash('sha256').update(text).digest('hex');
/** The owner's name is sealed as a hash with the salt that lies beside it; where the name was destroyed, the hash stands there. */
const asSealed = ({ salt, ...record }) => {
  const { owner } = record.header;
  if (!salt || /^sha256:[0-9a-f]{64}$/.test(owner)) return record;
  return { ...record, header: { ...record.header, owner: 'sha256:' + sha256(salt + ' ' + owner) } };
};
const part = (text) => JSON.parse(Buffer.from(text, 'base64url').toString('utf8'));

let wrong = 0;
for (const { record, line } of records) {
  const say = (what, why) => {
    if (why) wrong++;
    console.log((why ? 'WRONG  ' : 'holds  ') + what + (why ? ': ' + why : ''));
  };
  const what = record.decision.kind + ', ' + record.header.address + ', signed ' + record.decision.at;
  if (!line) {
    say(what, 'it has no line of the ledger');
    continue;
  }
  const [head, body, signature] = line.split('.');
  const key = keys.find(({ kid }) => kid === part(head).kid);
  const isSigned = key && verify(null, Buffer.from(head + '.' + body), createPublicKey({ key, format: 'jwk' }), Buffer.from(signature, 'base64url'));
  if (!isSigned) say(what, 'its line is not signed by a key of the office');
  else if (part(body).record !== sha256(canonical(asSealed(record)))) say(what, 'it is not what was sealed');
  else say(what + ', sealed ' + part(body).at + ' as line ' + part(body).n);
}
console.log(wrong === 0 ? records.length + ' records hold.' : wrong + ' of ' + records.length + ' records are wrong.');
process.exit(wrong === 0 ? 0 : 1);
`;
