import { useRef, useState } from 'react';
import { calculateTerms, type TermsRequest, type TermsShape } from '../../api/generated';
import { answer, asProblem, type Problem } from '../../api/problem';

/** Shorthand and rows as two views of one thing: changing either makes the other follow. */
export function useTermsViews(text: string, rows: TermsShape) {
  const [views, setViews] = useState({ text, rows });
  const [problem, setProblem] = useState<Problem | null>(null);
  const latest = useRef(0);
  // The last change wins, whatever the order of the answers.
  const follow = async (body: TermsRequest, take: (read: TermsShape) => void) => {
    const mine = ++latest.current;
    try {
      const read = await answer(calculateTerms({ body }));
      if (mine !== latest.current) return;
      take(read);
      setProblem(null);
    } catch (e) {
      if (mine === latest.current) setProblem(asProblem(e));
    }
  };
  return {
    ...views,
    problem,
    typeText: (typed: string) => {
      setViews((v) => ({ ...v, text: typed }));
      void follow({ text: typed }, (read) =>
        setViews({ text: typed, rows: { instalments: read.instalments, discounts: read.discounts, text: null } }),
      );
    },
    changeRows: (changed: TermsShape) => {
      setViews((v) => ({ ...v, rows: changed }));
      void follow({ text: null, terms: changed }, (read) => setViews({ text: read.text ?? '', rows: changed }));
    },
  };
}
