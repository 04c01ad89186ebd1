export function Cautions({ hazards }: { hazards: { title: string; caution: string }[] }) {
  if (hazards.length === 0) return null;
  return (
    <section aria-label="Cautions" className="mt-8 border-l-4 border-quince pl-4 text-sm">
      {hazards.map((hazard) => (
        <p key={hazard.title} className="mb-2">
          <strong>{hazard.title}.</strong> {hazard.caution}
        </p>
      ))}
      <p className="text-soft">Local rules and licensed advice come before these notes.</p>
    </section>
  );
}
