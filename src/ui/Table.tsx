import { View } from 'react-native';
import { useTheme } from './theme';
import { space } from './tokens';
import { Txt } from './Txt';
import { styleSheet } from './styleSheet';

export interface TableColumn {
  title: string;
  /** Numbers stand at the right. */
  numeric?: boolean;
  flex?: number;
}

/** A small table with real roles, for evidence and beside each chart. */
export function Table({
  caption,
  columns,
  rows,
}: {
  caption: string;
  columns: TableColumn[];
  rows: string[][];
}) {
  const { roles } = useTheme();
  const cell = (c: TableColumn) => ({ flex: c.flex ?? 1 });
  return (
    <View role="table" aria-label={caption}>
      <View role="row" style={[styles.row, { borderColor: roles.hairline }]}>
        {columns.map((c) => (
          <View role="columnheader" key={c.title} style={cell(c)}>
            <Txt kind="small" tone="second" style={c.numeric && styles.right}>
              {c.title}
            </Txt>
          </View>
        ))}
      </View>
      {rows.map((row, i) => (
        <View role="row" key={i} style={[styles.row, { borderColor: roles.hairline }]}>
          {columns.map((c, j) => (
            <View role="cell" key={c.title} style={cell(c)}>
              <Txt kind="small" style={c.numeric && styles.right}>
                {row[j] ?? ''}
              </Txt>
            </View>
          ))}
        </View>
      ))}
    </View>
  );
}

const styles = styleSheet({
  row: { flexDirection: 'row', gap: space(2), paddingVertical: space(2), borderBottomWidth: 1 },
  right: { textAlign: 'right' },
});
