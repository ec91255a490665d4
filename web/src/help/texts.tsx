import { lazy } from 'react';

/** The user guide, fetched when it is opened. */
export const GuideWindow = lazy(async () => {
  const [{ default: MarkdownWindow }, { default: text }] = await Promise.all([
    import('./MarkdownWindow'),
    import('../../../docs/guide.md?raw'),
  ]);
  return { default: () => <MarkdownWindow title="Guide" text={text} /> };
});

/** What is new, likewise. */
export const NewsWindow = lazy(async () => {
  const [{ default: MarkdownWindow }, { default: text }] = await Promise.all([
    import('./MarkdownWindow'),
    import('../../../docs/news.md?raw'),
  ]);
  return { default: () => <MarkdownWindow title="What is new" text={text} /> };
});
