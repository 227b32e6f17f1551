import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { asProblem } from '../api/problem';
import { Loaded } from './Loaded';

type Asked = Parameters<typeof Loaded<string>>[0]['query'];
const asked = (part: Partial<Asked>) =>
  ({
    data: undefined,
    error: null,
    isError: false,
    dataUpdatedAt: 0,
    refetch: () => Promise.resolve(),
    ...part,
  }) as Asked;
const drawn = (query: Asked) =>
  renderToStaticMarkup(
    <Loaded query={query} what="the board">
      {(text) => <b>{text}</b>}
    </Loaded>,
  );
const failed = {
  isError: true,
  error: asProblem({ title: 'It failed', detail: 'The books are locked.', status: 500 }),
};

describe('the place of an answer', () => {
  it('says that it waits, and for what', () => {
    expect(drawn(asked({}))).toMatch(/role="status">.*Reading .*the board/);
  });

  it('shows the answer alone when it is there', () => expect(drawn(asked({ data: 'here' }))).toBe('<b>here</b>'));

  it('says what went wrong, and lets it be asked again', () => {
    const shown = drawn(asked(failed));
    expect(shown).toContain('It failed');
    expect(shown).toContain('The books are locked.');
    expect(shown).toContain('Try again');
    expect(shown).not.toContain('Reading');
  });

  it('keeps what was read before, and says when that was', () => {
    const shown = drawn(asked({ ...failed, data: 'former', dataUpdatedAt: Date.parse('2026-03-16T10:32:00') }));
    expect(shown).toContain('<b>former</b>');
    expect(shown).toMatch(/was read at 10:32/);
  });

  it('does not speak of typing where nothing was typed', () => {
    const shown = drawn(asked({ isError: true, error: asProblem(new TypeError('Failed to fetch')) }));
    expect(shown).toContain('The server did not answer');
    expect(shown).not.toContain('typed');
  });
});
