export { reportSchema } from './json';
export { countCauses, countOf, reportDevices } from './report';
export type { Report } from './report';
export { REPORT_FORMS } from './forms';
export type { ReportForm } from './forms';
