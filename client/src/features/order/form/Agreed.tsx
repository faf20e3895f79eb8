import type { Schemas } from '../../../api/wire/client';

/** What is agreed to at each seller, a sentence each, from the facts of its price list. */
export function Agreed({ sentences }: { sentences: readonly Schemas['AgreedTermWire'][] }) {
  const sellers = [...new Set(sentences.map(({ seller }) => seller))];
  return sellers.map((seller) => (
    <div key={seller} className="mt-2">
      <h3 className="font-semibold">
        <bdi>{seller}</bdi>
      </h3>
      <ul className="list-disc pl-5 text-[14px]">
        {sentences
          .filter((term) => term.seller === seller)
          .map((term) => (
            <li key={term.sentence}>
              <bdi>{term.sentence}</bdi>
            </li>
          ))}
      </ul>
    </div>
  ));
}
