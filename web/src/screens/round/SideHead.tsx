export function SideHead({ children }: { children: string }) {
  return <h2 className="mb-2 border-b-2 border-[var(--ink)] pb-1 text-base font-semibold">{children}</h2>;
}
