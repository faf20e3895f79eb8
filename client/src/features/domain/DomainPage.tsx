import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useNavigate, useSearch } from '@tanstack/react-router';
import { useEffect, useState } from 'react';
import { api, expect } from '../../api/client';
import { TextField } from '../../ui/Field';
import { Note } from '../../ui/Note';
import { useSite } from '../../api/site';
import { ChosenDomain } from './ChosenDomain';
import { Endings } from './Endings';
import { OtherWays } from './OtherWays';

/** Finding a name: its spelling is checked while it is typed, then whether it can be had, under each ending that a book here sells. */
export function DomainPage() {
  const { page } = useSite();
  const { name } = useSearch({ from: '/sites/$siteId/domain' });
  const navigate = useNavigate({ from: '/sites/$siteId/domain' });
  const [text, setText] = useState(name ?? page.worksheet.candidate.domains[0]?.name ?? '');
  const settled = useSettled(text, 300);
  const typed = useQuery({
    queryKey: ['typed', settled],
    queryFn: async () => expect(await api.GET('/api/domains/typed', { params: { query: { text: settled } } })),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
  }).data;

  useEffect(() => {
    void navigate({ search: (search) => ({ ...search, name: settled || undefined }), replace: true });
  }, [navigate, settled]);

  const fault = text.length > 0 && settled === text ? typed?.fault : null;
  return (
    <>
      <title>{`Domain · ${page.name} · Home Start`}</title>
      <h1 className="mt-5 text-2xl">Find a name for the site</h1>
      <p className="text-soft max-w-2xl">
        The country’s ending suits local trade, .com suits the rest. Short, without hyphens or digits, and easy to say
        on the telephone is best.
      </p>
      <div className="mt-3 grid max-w-4xl gap-x-8 gap-y-3 lg:grid-cols-[26rem_1fr]">
        <div>
          <TextField
            label="The name you want"
            value={text}
            maxLength={200}
            autoComplete="off"
            spellCheck={false}
            autoCapitalize="none"
            placeholder="ostlerwren"
            onChange={(event) => setText(event.target.value)}
            fault={fault}
            hint="With or without its ending."
            className="text-lg"
          />
          {fault && typed?.suggestion && (
            <button className="ink mt-1" onClick={() => setText(typed.suggestion!)}>
              Use “{typed.suggestion}”
            </button>
          )}
        </div>
        <div className="flex flex-col justify-end gap-2">
          {typed?.advice.map((advice) => (
            <Note key={advice} ink="soft">
              {advice}
            </Note>
          ))}
        </div>
      </div>
      <ChosenDomain />
      {typed?.label && <Endings label={typed.label} first={typed.ending} />}
      <OtherWays />
    </>
  );
}

/** A value once it has stood still for a while. */
function useSettled(value: string, milliseconds: number): string {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), milliseconds);
    return () => clearTimeout(timer);
  }, [value, milliseconds]);
  return settled;
}
