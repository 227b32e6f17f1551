import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import type { CoursePoint } from '../api/generated';
import { CourseChart } from './CourseChart';

const course = (...points: [string, string, string][]): CoursePoint[] =>
  points.map(([day, limit, exposure]) => ({ day, limit, exposure }));

/** The shape of each path by its role: the space over the limit, the limit, the exposure. */
function paths(html: string) {
  const [over, limit, exposure] = [...html.matchAll(/<path d="([^"]*)"/g)].map((m) => m[1]);
  return { over, limit, exposure };
}

const draw = (points: CoursePoint[], passesOn?: string) =>
  renderToStaticMarkup(<CourseChart course={points} passesOn={passesOn} label="Course" />);

describe('the course of limit and exposure', () => {
  it('says in words where it ends', () => {
    const html = draw(course(['2026-03-15', '1000.00', '1200.00'], ['2026-03-16', '1500.00', '1250.50']));
    expect(html).toContain('aria-label="Course: on 16 Mar 2026 exposure 1,250.50, limit 1,500.00"');
  });

  it('fills the space between only where the exposure lies over the limit on both days', () => {
    const under = draw(
      course(
        ['2026-03-14', '1000.00', '900.00'],
        ['2026-03-15', '1000.00', '1000.00'],
        ['2026-03-16', '1000.00', '800.00'],
      ),
    );
    expect(paths(under).over).toBe('');
    const over = draw(
      course(
        ['2026-03-14', '1000.00', '1100.00'],
        ['2026-03-15', '1000.00', '1200.00'],
        ['2026-03-16', '1000.00', '800.00'],
      ),
    );
    expect(paths(over).over.match(/M/g)).toHaveLength(1);
  });

  it('begins the limit on the first day that had one, and passes nothing before', () => {
    const points = course(
      ['2026-03-12', '0.00', '400.00'],
      ['2026-03-13', '0.00', '500.00'],
      ['2026-03-14', '600.00', '500.00'],
      ['2026-03-15', '600.00', '500.00'],
    );
    const { over, limit, exposure } = paths(draw(points));
    expect(over).toBe('');
    const start = (path: string) => Number(/^M([\d.]+)/.exec(path)?.[1]);
    expect(start(limit)).toBeGreaterThan(start(exposure));
    expect(limit.match(/H/g)).toHaveLength(1);
    // Without any limit, and with a credit balance, it is still drawn on the line of zero.
    const none = paths(draw(course(['2026-03-12', '0.00', '-50.00'], ['2026-03-13', '0.00', '0.00'])));
    const level = (path: string) => [...path.matchAll(/[ V]([\d.]+)/g)].map((m) => m[1]);
    expect(new Set([...level(none.limit), ...level(none.exposure)]).size).toBe(1);
  });

  it('marks the day on which the limit is passed, in its place and by name', () => {
    const points = course(
      ['2026-03-16', '1000.00', '900.00'],
      ['2026-03-21', '1000.00', '1100.00'],
      ['2026-03-26', '1000.00', '1100.00'],
    );
    const html = draw(points, '2026-03-21');
    const [first, last] = [...html.matchAll(/[ML]([\d.]+) [\d.]+/g)]
      .map((m) => Number(m[1]))
      .sort((a, b) => a - b)
      .filter((_, i, all) => i === 0 || i === all.length - 1);
    expect(html).toContain(`<line x1="${(first + last) / 2}"`);
    expect(html).toContain('21 Mar 2026');
    expect(draw(points)).not.toContain('21 Mar 2026');
  });

  it('draws nothing of nothing', () => {
    expect(draw([])).toBe('');
  });
});
