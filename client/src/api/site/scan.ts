import { keepPreviousData, queryOptions, useQuery, useQueryClient } from '@tanstack/react-query';
import { keys } from '../wire/keys';
import { useState } from 'react';
import { Refused, type Schemas } from '../wire/client';
import { linesOf } from '../wire/lines';
import { lineOf } from '../wire/shapes';

export type SiteScan = Schemas['SiteScanWire'];
export type ScanRow = Schemas['ScanRowWire'];
export type Settling = Schemas['SettlingWire'];

/**
 * Reads an answer line by line: progress first, the result or the faults last. Leaving or stopping ends the scan on the
 * server too.
 */
async function read<T>(path: string, signal: AbortSignal, onProgress: (share: number) => void): Promise<T> {
  for await (const line of linesOf(path, { signal })) {
    const told = lineOf(line);
    if (told.progress) {
      onProgress(told.progress.done / told.progress.of);
    } else if (told.result) {
      return told.result as T;
    } else {
      throw new Refused(422, { errors: told.errors });
    }
  }

  throw new Error('The scan ended without a result.');
}

/** What a scan finds for a site at a revision: rows stay while the next ones are worked out. */
export const scanQuery = (
  siteId: string,
  revision: number,
  objective: string,
  byPlan: boolean,
  oneSeller = false,
  onProgress: (share: number) => void = () => undefined,
) =>
  queryOptions({
    queryKey: keys.scan(siteId, objective, byPlan, oneSeller, revision),
    queryFn: ({ signal }) =>
      read<SiteScan>(
        `/api/sites/${siteId}/scan?objective=${objective}&byPlan=${byPlan}&oneSeller=${oneSeller}`,
        signal,
        onProgress,
      ),
    placeholderData: keepPreviousData,
    retry: false,
  });

/** A scan with its progress, from 0 to 1, that can be stopped and begun again. */
export function useScan(siteId: string, revision: number, objective: string, byPlan: boolean, oneSeller: boolean) {
  const queries = useQueryClient();
  const [progress, setProgress] = useState(0);
  const query = scanQuery(siteId, revision, objective, byPlan, oneSeller, setProgress);
  const scan = useQuery(query);
  // Rows of the scan before stand for none of these: what was asked for is not there yet.
  const isThere = scan.data !== undefined && !scan.isPlaceholderData;
  return {
    ...scan,
    progress,
    stopped: !isThere && scan.error === null && scan.fetchStatus === 'idle',
    stop: () => void queries.cancelQueries({ queryKey: query.queryKey }),
  };
}

/** What settles it: worked out after the rows are there. */
export const settlingQuery = (siteId: string, revision: number, objective: string, oneSeller: boolean) =>
  queryOptions({
    queryKey: keys.settling(siteId, objective, oneSeller, revision),
    queryFn: ({ signal }) =>
      read<Settling>(
        `/api/sites/${siteId}/settling?objective=${objective}&oneSeller=${oneSeller}`,
        signal,
        () => undefined,
      ),
    placeholderData: keepPreviousData,
    retry: false,
  });
