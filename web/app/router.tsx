import { createBrowserRouter } from 'react-router';
import { bayRoutes } from '../stations/bays';
import { calendarRoutes } from '../stations/calendar';
import { careRoutes } from '../stations/care';
import { checkRoutes } from '../stations/check';
import { figuresRoutes } from '../stations/figures';
import { handoverRoutes } from '../stations/handover';
import { itemRoutes } from '../stations/items';
import { layerRoutes } from '../stations/layer';
import { prepareRoutes } from '../stations/prepare';
import { quantifyRoutes } from '../stations/quantify';
import { runRoutes } from '../stations/run';
import { shelfRoutes } from '../stations/shelf';
import { stockRoutes } from '../stations/stock';
import { surveyRoutes, newJobRoutes } from '../stations/survey';
import { timeRoutes } from '../stations/time';
import { todayRoutes } from '../stations/today';
import { workshopRoutes } from '../stations/workshop';
import { Lost } from './Lost';
import { Shell } from './Shell';

/** A chunk a station: what is not opened is not loaded. */
export const router = createBrowserRouter([
  {
    element: <Shell />,
    ErrorBoundary: Lost,
    HydrateFallback: () => null,
    children: [
      ...todayRoutes,
      ...newJobRoutes,
      ...itemRoutes,
      ...shelfRoutes,
      ...stockRoutes,
      ...calendarRoutes,
      ...bayRoutes,
      ...workshopRoutes,
      ...figuresRoutes,
      { path: 'pair', lazy: () => import('../people/Pair') },
      { path: 'guest', lazy: () => import('../people/Guest') },
      { path: 'trust', lazy: () => import('../people/Trust') },
      {
        path: 'jobs/:jobId',
        lazy: () => import('../job/JobShell'),
        children: [
          ...surveyRoutes,
          ...prepareRoutes,
          ...layerRoutes,
          ...quantifyRoutes,
          ...timeRoutes,
          ...runRoutes,
          ...checkRoutes,
          ...handoverRoutes,
          ...careRoutes,
        ],
      },
      { path: '*', Component: Lost },
    ],
  },
]);
