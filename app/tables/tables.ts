/** What wide screens alone have, fetched together: the tables, and the whole wall. */
export { WideList } from '../inspections/wide-list';
export { CircuitsTable } from '../circuits/table';
export { WholeWall } from '../inspection/whole-wall';
