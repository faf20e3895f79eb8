import { useQuery } from '@tanstack/react-query';
import { sessionQuery } from './wire/queries';

/** Whether sellers can be asked and ordered from here, and the clock moved on: what runs without them shows neither. */
export const useHasCounterparts = () => useQuery(sessionQuery).data?.hasCounterparts ?? true;
