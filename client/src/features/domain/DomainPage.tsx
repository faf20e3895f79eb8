import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { keys } from '../../api/wire/keys';
import { useNavigate, useSearch } from '@tanstack/react-router';
import { useEffect, useState } from 'react';
import { api, expect } from '../../api/wire/client';
import { nameCostsQuery, useSought } from '../../api/names/names';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/fields/Field';
import { Note } from '../../ui/said/Note';
import { useSite } from '../../api/site/site';
import { useSettled } from '../../ui/useSettled';
import { ChosenDomain } from './ChosenDomain';
import { DomainParts } from './DomainParts';
import { Endings } from './Endings';
import { HeldNames } from './HeldNames';
import { NearTaken } from './NearTaken';
import { adviceWords, mendWords, problemWords } from './nameWords';

/**
 * Finding a name: it is read out of what is typed, then whether it can be had, under each ending that a book here
 * sells.
 */
export function DomainPage() {
  const { page } = useSite();
  const { name: sought } = useSearch({ from: '/sites/$siteId/domain' });
  const navigate = useNavigate({ from: '/sites/$siteId/domain' });
  const [text, setText] = useState(sought ?? page.worksheet.candidate.domains[0]?.name ?? '');
  const settled = useSettled(text, 300);
  const read = useQuery({
    queryKey: keys.name(settled),
    queryFn: async ({ signal }) =>
      expect(await api.POST('/api/names/read', { body: { text: settled, ending: null, customersIn: null }, signal })),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
  }).data;

  useEffect(() => {
    void navigate({ search: (search) => ({ ...search, name: settled || undefined }), replace: true });
  }, [navigate, settled]);

  const costs = useQuery(nameCostsQuery(page.id, page.worksheet.letter, page.revision)).data ?? [];
  useSought(page.id, page.worksheet.letter);
  const [problem] = (text.trim() !== '' && settled === text && read?.problems) || [];
  const name = text.trim() !== '' && read?.problems.length === 0 ? read : null;
  return (
    <>
      <title>{`Domain · ${page.name} · Home Start`}</title>
      <h1 className="mt-5 text-2xl">Find a name for the site</h1>
      <DomainParts />
      <p className="text-soft mt-2 max-w-2xl">
        The country’s ending suits local trade, .com suits the rest. Short, without hyphens or digits, and easy to say
        on the telephone is best.
      </p>
      <div className="mt-3 grid max-w-4xl gap-x-8 gap-y-3 lg:grid-cols-[26rem_minmax(0,1fr)]">
        <div>
          <TextField
            label="The name you want"
            value={text}
            maxLength={300}
            autoComplete="off"
            spellCheck={false}
            autoCapitalize="none"
            placeholder="Ostler & Wren"
            onChange={(event) => setText(event.target.value)}
            fault={problem && read ? problemWords(problem, read) : null}
            hint={(name && mendWords(name)) ?? 'With or without its ending; a business name or an address will do.'}
            className="text-lg"
          />
          {read && text.trim() !== '' && read.others.length > 0 && (
            <p className="mt-1 flex flex-wrap gap-x-3">
              Or:
              {read.others.map((other) => (
                <Button
                  key={other}
                  look="text"
                  onClick={() => setText(read.ending ? `${other}.${read.ending}` : other)}
                >
                  {other}
                </Button>
              ))}
            </p>
          )}
        </div>
        <div className="flex flex-col justify-end gap-2">
          {name?.advice.map((advice) => (
            <Note key={advice.code} ink="soft">
              {adviceWords(advice)}
            </Note>
          ))}
          {name && name.ascii === name.label && <NearTaken label={name.label} ending={name.ending} />}
        </div>
      </div>
      <ChosenDomain />
      {name &&
        (name.ascii === name.label ? (
          <Endings label={name.label} first={name.ending} />
        ) : (
          <p className="mt-4 max-w-3xl">
            The registrars here sell names in the letters a to z alone: take another spelling
            {name.others.length > 0 && ', such as the one above'}.
          </p>
        ))}
      <HeldNames costs={costs} />
    </>
  );
}
