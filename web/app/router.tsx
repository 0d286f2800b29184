import { createBrowserRouter } from 'react-router';
import { Lost } from './Lost';
import { Shell } from './Shell';

/** A chunk a station: what is not opened is not loaded. */
export const router = createBrowserRouter([
  {
    element: <Shell />,
    ErrorBoundary: Lost,
    HydrateFallback: () => null,
    children: [
      { index: true, lazy: () => import('../stations/today/Today') },
      { path: 'new', lazy: () => import('../stations/survey/measure/NewJob') },
      { path: 'items', lazy: () => import('../stations/items/Items') },
      { path: 'items/:itemId', lazy: () => import('../stations/items/Item') },
      { path: 'shelf', lazy: () => import('../stations/shelf/Shelf') },
      { path: 'shelf/preparation', lazy: () => import('../stations/shelf/kit/Kit') },
      { path: 'shelf/rules', lazy: () => import('../stations/shelf/Rules') },
      { path: 'stock', lazy: () => import('../stations/stock/Stock') },
      { path: 'stock/take', lazy: () => import('../stations/stock/StockTake') },
      { path: 'stock/order', lazy: () => import('../stations/stock/Order') },
      { path: 'stock/recall', lazy: () => import('../stations/stock/Recall') },
      { path: 'stock/learned', lazy: () => import('../stations/stock/Learned') },
      { path: 'calendar', lazy: () => import('../stations/calendar/Calendar') },
      { path: 'bays', lazy: () => import('../stations/bays/Bays') },
      { path: 'workshop', lazy: () => import('../stations/workshop/People') },
      { path: 'workshop/devices', lazy: () => import('../stations/workshop/Devices') },
      { path: 'workshop/backups', lazy: () => import('../stations/workshop/Backups') },
      { path: 'workshop/record', lazy: () => import('../stations/workshop/Record') },
      { path: 'pair', lazy: () => import('../people/Pair') },
      { path: 'guest', lazy: () => import('../people/Guest') },
      { path: 'trust', lazy: () => import('../people/Trust') },
      { path: 'figures', lazy: () => import('../stations/figures/Figures') },
      { path: 'shelf/:productId', lazy: () => import('../stations/shelf/Sheet') },
      {
        path: 'jobs/:jobId',
        lazy: () => import('../job/JobShell'),
        children: [
          { path: 'survey', lazy: () => import('../stations/survey/Survey') },
          { path: 'prepare', lazy: () => import('../stations/prepare/Prepare') },
          { path: 'layer', lazy: () => import('../stations/layer/Layer') },
          { path: 'quantify', lazy: () => import('../stations/quantify/Quantify') },
          { path: 'time', lazy: () => import('../stations/time/Time') },
          { path: 'run', lazy: () => import('../stations/run/Run') },
          { path: 'check', lazy: () => import('../stations/check/Check') },
          { path: 'hand-over', lazy: () => import('../stations/handover/HandOver') },
          { path: 'care', lazy: () => import('../stations/care/Care') },
        ],
      },
      { path: '*', Component: Lost },
    ],
  },
]);
