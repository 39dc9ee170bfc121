export { COLUMN_FIELDS, leftOut, matchColumns, type ColumnField, type LeftOut } from './catalogue-columns';
export {
  findDecimalMark,
  type FoundMark,
  missingColumns,
  readCatalogueRows,
  type CsvRow,
  type ProductRecord,
  type RowProblem,
} from './catalogue-rows';
export { guessDelimiter } from './guess-delimiter';
export { matchOrderColumns, ORDER_FIELDS, readOrderRows, type OrderField, type OrderRowsRead } from './order-rows';
export { planImport, type ImportPlan, type KnownSku, type PlannedProduct } from './plan-import';
export type { ImportRecord } from './import-record';
