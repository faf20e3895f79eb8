import { useState, type ComponentProps } from 'react';
import { longDay } from '../../format/dates';
import { dayTyped } from '../../format/typedDates';
import { TextField } from './Field';

/**
 * A day as people type it; how it was read stands beneath it. What it holds is the words typed: `daySent` makes the day
 * of them.
 * @param endsMonth Whether a month and year are enough, as on a card.
 */
export function DateField({
  hint,
  onChange,
  endsMonth = false,
  ...props
}: ComponentProps<typeof TextField> & { endsMonth?: boolean }) {
  const [typed, setTyped] = useState('');
  const read = dayTyped(typeof props.value === 'string' ? props.value : typed, endsMonth);
  return (
    <TextField
      autoComplete="off"
      maxLength={40}
      hint={read ? `That is ${longDay(read)}.` : (hint ?? (endsMonth ? 'Such as 12/29.' : 'Such as 3 Dec 2027.'))}
      onChange={(event) => {
        setTyped(event.target.value);
        return onChange?.(event);
      }}
      {...props}
    />
  );
}
