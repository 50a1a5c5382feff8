import { TypedRows } from '../common/rows/TypedRows';
import type { RowsProps, SettingParts } from '../kindUi';
import { NumberLine } from './NumberLine';

/** The accepted spans, and below them a line on which they are drawn. */
export function NumberRows({ content, margin, readOnly, edit }: RowsProps<'number'>) {
  return (
    <>
      <TypedRows
        accepted={content.spans.map(({ span, ...rest }) => ({ text: span, ...rest }))}
        margin={margin}
        readOnly={readOnly}
        placeholder="14, or 14 within 0.6, or 12 to 13, or over 12"
        hasPatterns={false}
        onAccepted={(list) =>
          edit((c) => ({
            ...c,
            spans: list.map(({ id, text, share, says }) => ({
              ...(id !== undefined && { id }),
              span: text,
              ...(share && { share }),
              ...(says && { says }),
            })),
          }))
        }
      />
      {margin && <NumberLine spans={margin.spans} />}
    </>
  );
}

export function NumberSettings({ value }: SettingParts) {
  return (
    <>
      {' · '}
      units {value('unit', 'Accepted units')} · asks for {value('figures', 'Figures demanded')}
    </>
  );
}
