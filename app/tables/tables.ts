/** What wide screens alone have, fetched together: the tables, and the whole wall; and with them what writes CSV. */
export { WideList } from '../inspections/wide-list';
export { CircuitsTable } from '../circuits/table';
export { WholeWall } from '../inspection/whole-wall';
export { inspectionsCsv, violationsCsv } from '@careful-latch/core/formats';
