/** What was strange in a file, a sentence each. */
export const Remarks = ({ of }: { of: readonly string[] }) =>
    of.length === 0 ? null : (
        <ul className="text-sm text-open">
            {of.map((r) => (
                <li key={r}>{r}</li>
            ))}
        </ul>
    );
