import './fields.css';

/** What is wrong with what a field holds: it stands under the field, which names it as its description. */
export function Fault({ id, text }: { id: string; text: string }) {
  return text ? (
    <span className="fault" id={id} role="alert">
      {text}
    </span>
  ) : null;
}

/** What ties an input to its fault. */
export const faulty = (id: string, text: string) => ({
  'aria-invalid': text !== '',
  'aria-describedby': text ? id : undefined,
});
