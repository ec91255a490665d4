import { fetched } from '../kit/fetched';

/** The user guide, fetched when it is opened. */
export const GuideWindow = fetched(async () => {
  const [{ default: MarkdownWindow }, { default: text }] = await Promise.all([
    import('./MarkdownWindow'),
    import('../../../docs/guide.md?raw'),
  ]);
  return () => <MarkdownWindow title="Guide" text={text} />;
});

/** What is new, likewise. */
export const NewsWindow = fetched(async () => {
  const [{ default: MarkdownWindow }, { default: text }] = await Promise.all([
    import('./MarkdownWindow'),
    import('../../../docs/news.md?raw'),
  ]);
  return () => <MarkdownWindow title="What is new" text={text} />;
});
