import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { nameCostsQuery, useAsking, useSeek, useSought } from '../../api/names/names';
import { useSite } from '../../api/site/site';
import { count } from '../../format/words';
import { Button } from '../../ui/Button';
import { Failed, Waiting } from '../../ui/said/Waiting';
import { DomainParts } from './DomainParts';
import { FoundNames } from './FoundNames';
import { HeldNames } from './HeldNames';
import { WhatToCheck, type Question } from './WhatToCheck';
import { Announced } from '../../ui/said/Announced';

/** Hundreds of names under many endings at once: thought of here, or pasted. */
export function ManyNames() {
  const { page } = useSite();
  const { letter } = page.worksheet;
  const sought = useSought(page.id, letter);
  const seek = useSeek(page.id, letter);
  const { ask, stop, ...asking } = useAsking(page.id, letter);
  const costs = useQuery(nameCostsQuery(page.id, letter, page.revision)).data ?? [];
  const [fault, setFault] = useState<string | null>(null);

  const check = async ({ text = null, ideas = null, endings }: Question) => {
    setFault(null);
    try {
      await seek({ text, ideas: ideas && { ...ideas, customersIn: null }, endings });
      await ask({});
      await sought.refetch();
    } catch (error) {
      setFault(error instanceof Error ? error.message : String(error));
    }
  };
  const goOn = async () => {
    await ask({});
    await sought.refetch();
  };
  const list = sought.data;
  return (
    <>
      <title>{`Many names · ${page.name} · Home Start`}</title>
      <h1 className="mt-5 text-2xl">Find a name for the site</h1>
      <DomainParts />
      <WhatToCheck check={check} isBusy={asking.isAsking} />
      {fault && <Announced className="text-red mt-2">{fault}</Announced>}
      {sought.error && !list && <Failed error={sought.error} retry={() => void sought.refetch()} />}
      {sought.isLoading && <Waiting for="Looking at what was asked before" />}
      {list && list.refused.length > 0 && (
        <details className="text-red mt-3">
          <summary className="cursor-pointer">
            {count(list.refused.length)} {list.refused.length === 1 ? 'line is no name' : 'lines are no names'}
          </summary>
          <ul className="mt-1 text-sm">
            {list.refused.map((line) => (
              <li key={line.line}>
                Line {line.line}, <bdi className="break-all">“{line.text}”</bdi>: {line.why}
              </li>
            ))}
          </ul>
        </details>
      )}
      {list && list.names.length > 0 && (
        <>
          <div className="mt-4 flex flex-wrap items-center gap-x-4 gap-y-1">
            {asking.isAsking ? (
              <>
                <progress
                  className="accent-blue w-56"
                  value={asking.of === 0 ? undefined : asking.asked}
                  max={Math.max(1, asking.of)}
                  aria-label="Asked so far"
                />
                <Announced as="span">
                  {asking.pause
                    ? `${asking.pause.provider} asks for a pause of ${asking.pause.seconds} s; the others go on.`
                    : `${count(asking.asked)} of ${count(asking.of)} asked`}
                </Announced>
                <Button onClick={stop}>Stop</Button>
              </>
            ) : asking.error ? (
              <Announced as="span" className="text-red">
                {asking.error.message}
              </Announced>
            ) : null}
            {!asking.isAsking && list.left > 0 && (
              <>
                <Announced as="span">
                  {count(list.left)} still to ask{asking.error || asking.asked === 0 ? '' : ', or to ask again'}.
                </Announced>
                <Button onClick={() => void goOn()}>Go on asking</Button>
              </>
            )}
            {!asking.isAsking && list.left === 0 && <Announced as="span">All asked.</Announced>}
          </div>
          <HeldNames costs={costs} />
          <FoundNames list={list} costs={costs} />
        </>
      )}
      {list?.names.length === 0 && <HeldNames costs={costs} />}
    </>
  );
}
