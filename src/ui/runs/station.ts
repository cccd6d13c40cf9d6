import type { StationViews } from '../kit/stationViews';

export const runs: StationViews = {
  views: [
    { id: 'schedule', name: 'Schedule' },
    { id: 'pathways', name: 'Pathways' },
    { id: 'buying', name: 'Cable to buy and pull' },
    { id: 'kinds', name: 'Kinds of cable' },
    { id: 'labels', name: 'Labels' },
    { id: 'tracing', name: 'Unlabelled cables' },
  ],
  keys: [
    ['Enter', 'next row, same column'],
    ['↑ ↓', 'row above, row below'],
    ['Esc', 'leave the cell as it was'],
    ['Ctrl V', 'paste cells or a column from a sheet, from this cell on'],
    ['GF-{01..12}', 'in the last row: twelve labels at once'],
  ],
};
