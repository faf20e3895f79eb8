import { lazy } from 'react';
import { OnOpening } from './OnOpening';

const Stopped = lazy(() => import('./Stopped'));

/** What is sunk if the owner stops early, against the way to pay that binds least; worked out when it is opened. */
export const StopEarly = () => (
  <OnOpening asks="If you stop early">
    <Stopped />
  </OnOpening>
);
