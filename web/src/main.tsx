import '@fontsource/aleo/400.css';
import '@fontsource/aleo/400-italic.css';
import '@fontsource/aleo/600.css';
import '@fontsource/barlow-semi-condensed/400.css';
import '@fontsource/barlow-semi-condensed/500.css';
import '@fontsource/barlow-semi-condensed/600.css';
import './theme.css';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { lazy, type ReactNode, StrictMode, Suspense } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, type LoaderFunctionArgs, redirect, RouterProvider } from 'react-router';
import { asksAgain } from './api/retry.ts';
import { Frame } from './frame/Frame.tsx';
import { Broken, Lost } from './frame/Lost.tsx';
import { Waiting } from './frame/Waiting.tsx';
import { MarksProvider } from './marking/Marks.tsx';
import { RoundScreen } from './screens/round/RoundScreen.tsx';

const PlantScreen = lazy(() => import('./screens/plant/PlantScreen.tsx'));
const WalkScreen = lazy(() => import('./screens/walk/WalkScreen.tsx'));
const BenchesScreen = lazy(() => import('./screens/benches/BenchesScreen.tsx'));
const ListScreen = lazy(() => import('./screens/list/ListScreen.tsx'));
const AlmanacScreen = lazy(() => import('./screens/almanac/AlmanacScreen.tsx'));
const WeatherScreen = lazy(() => import('./screens/weather/WeatherScreen.tsx'));
const PottingScreen = lazy(() => import('./screens/potting/PottingScreen.tsx'));
const ClinicScreen = lazy(() => import('./screens/clinic/ClinicScreen.tsx'));
const TakeInScreen = lazy(() => import('./screens/takein/TakeInScreen.tsx'));
const ShedScreen = lazy(() => import('./screens/shed/ShedScreen.tsx'));

const later = (screen: ReactNode, what: string) => <Suspense fallback={<Waiting what={what} />}>{screen}</Suspense>;

const leadsTo =
  (to: string) =>
  ({ request }: LoaderFunctionArgs) =>
    redirect(`${to}${new URL(request.url).search}`);

const queries = new QueryClient({
  defaultOptions: { queries: { staleTime: 30_000, retry: asksAgain, refetchOnWindowFocus: true } },
});

const router = createBrowserRouter([
  {
    element: <Frame />,
    errorElement: <Broken />,
    children: [
      {
        // A screen that cannot be drawn, or whose part never came, leaves the frame standing.
        errorElement: <Broken />,
        children: [
          { index: true, element: <RoundScreen /> },
          { path: 'plants/:plantId', element: later(<PlantScreen />, 'the plant') },
          { path: 'walk', element: later(<WalkScreen />, 'the walk') },
          { path: 'benches/:view?', element: later(<BenchesScreen />, 'the benches') },
          { path: 'benches/list', element: later(<ListScreen />, 'the list') },
          { path: 'year', element: later(<AlmanacScreen />, 'the almanac') },
          { path: 'year/weather', element: later(<WeatherScreen />, 'the weather') },
          { path: 'potting/:page?', element: later(<PottingScreen />, 'the potting bench') },
          { path: 'clinic/:plantId?', element: later(<ClinicScreen />, 'the clinic') },
          { path: 'add', element: later(<TakeInScreen />, 'the shelves') },
          // Addresses of before lead there still.
          { path: 'list', loader: leadsTo('/benches/list') },
          { path: 'almanac', loader: leadsTo('/year') },
          { path: 'weather', loader: leadsTo('/year/weather') },
          { path: 'take-in', loader: leadsTo('/add') },
          { path: 'shed/:shelf?', element: later(<ShedScreen />, 'the shed') },
          { path: '*', element: <Lost /> },
        ],
      },
    ],
  },
]);

/** A line that is set in another font first jumps when its own comes: what the first screen is set in is waited for, not long. */
const FIRST_FONTS = [
  '400 1em "Barlow Semi Condensed"',
  '600 1em "Barlow Semi Condensed"',
  '400 1em Aleo',
  'italic 400 1em Aleo',
  '600 1em Aleo',
];
const FONTS_WAIT_MS = 600;
await Promise.race([
  Promise.all(FIRST_FONTS.map((font) => document.fonts.load(font))),
  new Promise((resolve) => setTimeout(resolve, FONTS_WAIT_MS)),
]);

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <MarksProvider>
        <RouterProvider router={router} />
      </MarksProvider>
    </QueryClientProvider>
  </StrictMode>,
);
