import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useNavigate } from '@tanstack/react-router';
import { useState, type ReactNode } from 'react';
import { pastedBefore, type Page } from '../../api/books/pages';
import { sessionQuery } from '../../api/wire/queries';
import { useBegin } from '../../api/site/sites';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/fields/Field';
import { Header } from '../../ui/frame/Header';
import { Help } from '../../ui/frame/Help';
import { PasteBox } from '../../ui/fields/PasteBox';
import { LostWork } from '../../ui/frame/LostWork';
import { SiteList } from './SiteList';
import { Announced } from '../../ui/said/Announced';

/** What Home Start does, and the ways in that people come by. The first answer makes the owner's own site. */
export function StartPage() {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const { begin, isPending, error } = useBegin();
  const [name, setName] = useState('');
  const example = useQuery(sessionQuery).data?.sites.find((site) => site.isExample);
  const paste = (page: Page) =>
    begin((siteId) => {
      pastedBefore.keep(queries, siteId, page);
      return navigate({ to: '/sites/$siteId/shelf/page', params: { siteId } });
    });
  return (
    <>
      <title>Home Start: what a website really costs</title>
      <Header help={<Help />}>
        <div className="grow" />
      </Header>
      <main id="sheet" tabIndex={-1} className="bg-sheet border-rule grow border-t outline-none">
        <div className="mx-auto max-w-[1080px] px-4 pt-6 pb-12 sm:px-6">
          <LostWork />
          <h1 className="text-3xl">What will your website really cost?</h1>
          <p className="mt-2 max-w-3xl text-[17px]">
            Home Start works out what hosting and a domain cost over the years you will keep them, not only on the first
            bill. It compares sellers, helps you order, and tells you in time when a bill or a price rise is coming.
          </p>
          {error && <Announced className="text-red mt-3">{error.message}</Announced>}
          <ul aria-label="How would you like to start?" className="mt-5">
            <Way title="I have a seller’s page open" says="Copy the whole page and paste it. Every plan on it is read.">
              <PasteBox label="Their page" give={paste} error={null} isReading={isPending} />
            </Way>
            <Way title="I don’t know what I need" says="Ten short questions. Skip anything you don’t know yet.">
              <Button
                disabled={isPending}
                onClick={() =>
                  begin((siteId) => navigate({ to: '/sites/$siteId/needs', params: { siteId }, search: {} }))
                }
              >
                Answer a few questions
              </Button>
            </Way>
            <Way title="I have a name in mind" says="See whether it is available, and what it costs each year.">
              <form
                className="flex flex-wrap items-end gap-2"
                onSubmit={(event) => {
                  event.preventDefault();
                  begin((siteId) =>
                    navigate({
                      to: '/sites/$siteId/domain',
                      params: { siteId },
                      search: { name: name.trim() || undefined },
                    }),
                  );
                }}
              >
                <div className="grow">
                  <TextField
                    label="The name"
                    value={name}
                    maxLength={300}
                    autoComplete="off"
                    spellCheck={false}
                    autoCapitalize="none"
                    placeholder="your business, or a domain"
                    onChange={(event) => setName(event.target.value)}
                  />
                </div>
                <Button type="submit" disabled={isPending}>
                  Look it up
                </Button>
              </form>
            </Way>
            <Way
              title="I was given a code or an offer"
              says="Type the offer in, or paste its words, and see what is behind the price."
            >
              <Button
                disabled={isPending}
                onClick={() =>
                  begin((siteId) => navigate({ to: '/sites/$siteId/shelf/advertisement', params: { siteId } }))
                }
              >
                Look into the offer
              </Button>
            </Way>
            {example && (
              <Way
                title="Show me an example"
                says="A made-up shop and nine made-up sellers, with everything worked out."
              >
                <Link to="/sites/$siteId/worksheet" params={{ siteId: example.id }} search={{}} className="ink">
                  Open the example
                </Link>
              </Way>
            )}
          </ul>
          <SiteList />
          <p className="text-soft mt-8 max-w-3xl text-sm">
            What you paste or type is worked out here. Nothing is fetched from a seller’s site, and nothing is sent
            there.
          </p>
        </div>
      </main>
    </>
  );
}

function Way({ title, says, children }: { title: string; says: string; children: ReactNode }) {
  return (
    <li className="border-rule grid gap-x-8 gap-y-2 border-t py-3 last:border-b md:grid-cols-[22rem_minmax(0,1fr)]">
      <div>
        <h2 className="text-lg">{title}</h2>
        <p className="text-soft">{says}</p>
      </div>
      <div className="self-center">{children}</div>
    </li>
  );
}
