import type { Ask, Reply } from './answer';
import { completions, described, faults, hover, stripped } from './service';

addEventListener('message', (e: MessageEvent<{ id: number; ask: Ask }>) => {
  const { id, ask } = e.data;
  const reply = (): Reply => {
    switch (ask.what) {
      case 'completions':
        return completions(ask.text, ask.at);
      case 'described':
        return described(ask.text, ask.at, ask.name);
      case 'hover':
        return hover(ask.text, ask.at);
      case 'faults':
        return faults(ask.text);
      case 'stripped':
        return stripped(ask.text);
    }
  };
  try {
    postMessage({ id, reply: reply() });
  } catch (fault) {
    postMessage({ id, failed: String(fault) });
  }
});
