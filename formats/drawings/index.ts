export { cutDxf, cutSvg } from './cut-files';
export { netDxf, netSvg, surfacesCsv } from './net-files';
export { type Drawing, DrawingError, drawingSizeMm, type DrawingUnit } from './outlines';
