import { styled } from '@mui/material/styles';
import { useMemo, useRef, useState } from 'react';
import Markdown from 'react-markdown';
import { Bare } from '../kit/Bare';
import { Pill } from '../kit/Pill';
import { Words } from '../kit/Words';
import { Window } from '../kit/Window';
import { closeWindow } from '../session/windows';
import { palette } from '../theme/tokens';

const Sides = styled('div')({
  display: 'grid',
  gridTemplateColumns: '190px minmax(0, 1fr)',
  gap: 18,
  height: '64vh',
  '& > *': { overflow: 'auto', minHeight: 0 },
});

const Contents = styled('nav')({
  display: 'grid',
  alignContent: 'start',
  gap: 1,
  '& button': { padding: '4px 8px', borderRadius: 8, textAlign: 'left', justifyContent: 'flex-start' },
  '& button:hover': { background: palette.raised },
});

const Text = styled('article')({
  paddingRight: 12,
  fontSize: 13.5,
  lineHeight: 1.55,
  '& h2': { fontSize: 17, margin: '6px 0' },
  '& code': { fontFamily: "'IBM Plex Mono', monospace", fontSize: 12.5, color: palette.marigold },
  '& section': { marginBottom: 22 },
});

interface Section {
  title: string;
  text: string;
}

/** The parts of a text, by its headings of the second order; what stands before the first has the text's own. */
function sections(text: string): Section[] {
  const [first, ...rest] = text.split(/^## /m);
  const own = first.replace(/^# (.*)\n/, '').trim();
  const title = /^# (.*)$/m.exec(first)?.[1] ?? '';
  return [
    ...(own ? [{ title, text: own }] : []),
    ...rest.map((s) => {
      const end = s.indexOf('\n');
      return { title: s.slice(0, end), text: s.slice(end + 1).trim() };
    }),
  ];
}

/** A text of the documentation in a window, with its contents and a way to find things in it. */
export default function MarkdownWindow({ title, text }: { title: string; text: string }) {
  const all = useMemo(() => sections(text), [text]);
  const [find, setFind] = useState('');
  const article = useRef<HTMLElement>(null);
  const found = all.filter((s) => `${s.title} ${s.text}`.toLowerCase().includes(find.toLowerCase()));
  return (
    <Window
      title={title}
      wide
      buttons={
        <Pill wide tone="coral" onClick={closeWindow}>
          Close
        </Pill>
      }
    >
      <Sides>
        <Contents aria-label="Contents">
          <Words
            className="search"
            type="search"
            placeholder="Find in the text"
            aria-label="Find in the text"
            value={find}
            onChange={(e) => setFind(e.target.value)}
            autoFocus
          />
          {found.map((s) => (
            <Bare
              key={s.title}
              onClick={() =>
                article.current
                  ?.querySelector(`[data-section="${CSS.escape(s.title)}"]`)
                  ?.scrollIntoView({ block: 'start' })
              }
            >
              {s.title}
            </Bare>
          ))}
          {found.length ? null : <p className="empty">Nothing of that is in it.</p>}
        </Contents>
        <Text ref={article} tabIndex={0} aria-label={title}>
          {found.map((s) => (
            <section key={s.title} data-section={s.title}>
              <h2>{s.title}</h2>
              <Markdown components={{ a: ({ children }) => <em>{children}</em> }}>{s.text}</Markdown>
            </section>
          ))}
        </Text>
      </Sides>
    </Window>
  );
}
