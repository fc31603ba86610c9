/** Words for those who hear the page. */
export function Unseen({ children }: { children: React.ReactNode }) {
  return <span className="unseen">{children}</span>;
}
