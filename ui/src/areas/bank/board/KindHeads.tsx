/** The head of a table of objective × kind. */
export function KindHeads({ kinds, sum }: { kinds: string[]; sum: string }) {
  return (
    <thead>
      <tr>
        {['objective', ...kinds, sum].map((head) => (
          <th key={head} scope="col">
            {head}
          </th>
        ))}
      </tr>
    </thead>
  );
}
