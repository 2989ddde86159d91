/** The tables of wide screens, fetched together: a phone needs none of them. */
export { WideList } from '../inspections/wide-list';
export { CircuitsTable } from '../circuits/table';
