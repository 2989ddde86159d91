import Papa from 'papaparse';
import { STATION_NAMES } from '../case';
import { VIOLATION_STATES, dueAt, isOpen, stateWords, type Inspection } from '../record';

/** As a spreadsheet opens it: a mark says that it is UTF-8, and no text is taken for a formula. */
const csv = (fields: readonly string[], data: readonly (readonly (string | number)[])[]): string =>
  `\uFEFF${Papa.unparse({ fields: [...fields], data: data.map((row) => [...row]) }, { escapeFormulae: true })}\r\n`;

/** The list of inspections, a line each. */
export const inspectionsCsv = (inspections: readonly Inspection[]): string =>
  csv(
    ['Address', 'Owner', 'Permit', 'State', 'Due', 'Open violations', 'Last changed'],
    inspections.map((one) => [
      one.header.address,
      one.header.owner,
      one.header.permit,
      stateWords(one),
      dueAt(one)?.day ?? '',
      one.docket.violations.filter(isOpen).length,
      one.changedAt,
    ]),
  );

/** Every violation, a line each. */
export const violationsCsv = (inspections: readonly Inspection[]): string =>
  csv(
    [
      'Address',
      'Permit',
      'Number',
      'State',
      'Weighs',
      'Station',
      'What',
      'Remedy',
      'Sections',
      'Rules',
      'By',
      'Opened',
      'Last step',
      'Last step by',
    ],
    inspections.flatMap(({ header, docket }) =>
      docket.violations.map((one) => [
        header.address,
        header.permit,
        one.number,
        VIOLATION_STATES[one.state],
        one.severity,
        STATION_NAMES[one.station],
        one.words,
        one.remedy,
        one.cites.join('; '),
        one.findings.map(({ rule }) => rule).join('; '),
        one.dueOn ?? '',
        one.steps[0]!.at,
        one.steps.at(-1)!.at,
        one.steps.at(-1)!.by,
      ]),
    ),
  );
