import { sure, sureness } from './sureness';

/** How sure a proposal is: a full mark, a half one, an empty one; in words for a screen reader. */
export const Sure = ({ confidence }: { confidence: number }) => {
  const level = confidence === 0 ? 'unknown' : sureness(confidence);
  return <span className={`sure-mark ${level}`} role="img" aria-label={sure[level]} title={sure[level]} />;
};
