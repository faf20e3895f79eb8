import { Button } from '../../../ui/Button';

/** A question with its likely answers to press. */
export function Choice<Value extends string | number>({
  question,
  options,
  chosen,
  choose,
}: {
  question: string;
  options: { value: Value; words: string }[];
  chosen?: Value | undefined;
  choose: (value: Value) => void;
}) {
  return (
    <div role="group" aria-label={question} className="mt-1 flex flex-wrap items-baseline gap-x-4 gap-y-1 text-sm">
      <span className="text-red">{question}</span>
      {options.map(({ value, words }) => (
        <Button key={value} look="text" aria-pressed={chosen === value} onClick={() => choose(value)}>
          {chosen === value ? `✓ ${words}` : words}
        </Button>
      ))}
    </div>
  );
}
