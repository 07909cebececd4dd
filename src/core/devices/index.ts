export type { Density } from './densities';
export { densitiesOf, densityAt } from './densities';
export { DEVICE_GROUPS, deviceSchema, GROUP_NAMES, holdInWords, PARTS, SCROLLBARS, viewportOn } from './device';
export type { Device, Part, Scrollbar } from './device';
export { devicesOf, SET_MOST } from './device-set';
export type { DeviceSet, Standing, Stood } from './device-set';
export { CATALOGUE, DEVICE_SETS } from './catalogue';
export { readDeviceTable, writeDeviceCsv, writeDeviceJson } from './table';
export type { ReadDevices } from './table';
