/** The text with what was recognised in it marked. */
export function Recognised({ text, named }: { text: string; named: { from: number; to: number }[] }) {
  const marks = named
    .map(({ from, to }) => ({ from, to }))
    .sort((a, b) => a.from - b.from)
    .filter((mark, i, all) => i === 0 || mark.from >= (all[i - 1]?.to ?? 0));
  return (
    <span className="recognised">
      {marks.map((mark, i) => (
        <span key={mark.from}>
          {text.slice(i === 0 ? 0 : marks[i - 1]?.to, mark.from)}
          <mark>{text.slice(mark.from, mark.to)}</mark>
        </span>
      ))}
      {text.slice(marks.at(-1)?.to ?? 0)}
    </span>
  );
}
