export { monthSheet, type MonthBatch, type MonthFlow, type MonthSheet, type MonthSoup, type Waste } from './month.js';
