import { useQuery } from '@tanstack/react-query';
import { nearQuery } from '../../api/names/names';
import { useSite } from '../../api/site/site';
import { Note } from '../../ui/said/Note';

/**
 * Names easily written for this one that somebody uses: their holder gets a part of the mail and visits meant for this
 * one.
 */
export function NearTaken({ label, ending }: { label: string; ending: string | null }) {
  const { page } = useSite();
  const sold = page.worksheet.endings.map((offer) => offer.ending);
  const asked = ending && sold.includes(ending) ? ending : sold[0];
  const near = useQuery({ ...nearQuery(page.id, page.worksheet.letter, label, asked ?? ''), enabled: !!asked }).data;
  return near && near.matters.length > 0 ? (
    <Note ink="soft">
      Easily written for it, and used by somebody else: <bdi>{near.matters.join(', ')}</bdi>. Some mail and visits will
      go there.
    </Note>
  ) : null;
}
