/** A phone number as a browser dials it; nothing where it is none. */
const dialled = (contact: string): string | undefined => {
  const digits = contact.replace(/[\s()./-]/g, '');
  return /^\+?\d{5,15}$/.test(digits) ? `tel:${digits}` : undefined;
};

/** How an owner is reached: a tap calls or writes, where it is a number or an address. */
export function Contact({ contact }: { contact?: string }) {
  if (!contact) return null;
  const to = contact.includes('@') ? `mailto:${contact.trim()}` : dialled(contact);
  return (
    <>
      {', '}
      {to ? (
        <a className="inline-flex min-h-11 items-center underline" href={to}>
          {contact}
        </a>
      ) : (
        contact
      )}
    </>
  );
}
