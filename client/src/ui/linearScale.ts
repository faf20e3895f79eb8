/**
 * Where a value lies on a line in pixels, for drawing: all that the first page needs of a scale. Axes with round marks
 * take d3-scale. A line without length puts everything at its start.
 */
export function scaleLinear([from, until]: readonly [number, number], [start, end]: readonly [number, number]) {
  const length = until - from;
  return (value: number) => (length === 0 ? start : start + ((value - from) / length) * (end - start));
}
