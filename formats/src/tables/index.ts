export { checksOfGauge, gaugesOfShop } from './gauges-table'
export { SETUP_TABLES, setupTable, type SetupTableName, type TabledSetup } from './setup-tables'
export { tableOf, type Column, type Table } from './table'
