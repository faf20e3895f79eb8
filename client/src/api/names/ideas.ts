import { useQuery } from '@tanstack/react-query';
import { keys } from '../wire/keys';
import { useEffect } from 'react';
import { api, expect } from '../wire/client';
import { useAnswers, useAsking } from './names';
import { useSite } from '../site/site';

const mostAsked = 12;
const mostShown = 5;

/**
 * Names like one that are available under an ending, as the registrars say: the ones with least to think twice about.
 */
export function useIdeas(label: string, ending: string): { found: string[]; isAsking: boolean } {
  const { page } = useSite();
  const { letter } = page.worksheet;
  const answers = useAnswers(page.id, letter);
  const { ask, isAsking } = useAsking(page.id, letter);
  const ideas = useQuery({
    queryKey: keys.ideas(label),
    queryFn: async () =>
      expect(
        await api.POST('/api/names/ideas', { body: { business: label, trade: null, town: null, customersIn: null } }),
      )
        .map((idea) => idea.label)
        .filter((idea) => idea !== label)
        .slice(0, mostAsked),
    staleTime: Infinity,
  });
  const wanted = ideas.data?.join(' ');
  useEffect(() => {
    if (wanted) {
      void ask({ names: wanted.split(' '), endings: [ending], withRecord: true });
    }
  }, [ask, wanted, ending]);
  const found = (ideas.data ?? []).filter((idea) => {
    const answer = answers[`${idea}.${ending}`];
    return answer?.buyable === 'anywhere' && !answer.isContradicted;
  });
  return { found: found.slice(0, mostShown), isAsking: isAsking || ideas.isPending };
}
