import { Link, type Href } from 'expo-router';
import {
  Children,
  createContext,
  startTransition,
  useContext,
  useEffect,
  useLayoutEffect,
  useRef,
  useState,
  type ReactNode,
} from 'react';
import { ScrollView, View, type StyleProp, type ViewStyle } from 'react-native';
import { useTheme, useWide } from './theme';
import { space, TARGET, TYPE, type Role } from './tokens';
import { Txt } from './Txt';
import { styleSheet } from './styleSheet';

interface ScreenProps {
  children: ReactNode;
  /** Evidence: a second column on a wide screen, below the rest on a phone. */
  aside?: ReactNode;
  /** Stays in reach above the places. */
  footer?: ReactNode;
  title: string;
}

/** What floats over the end of a page, and what must not be covered by it. Heights in px. */
interface PageEnd {
  /** Of the notice that floats there now: what scrolls can be scrolled out from under it. */
  noticeHeight: number;
  /** Takes the height of the actions that stay in reach: the notice keeps above them. */
  footerMeasured: (height: number) => void;
}
export const PageEndContext = createContext<PageEnd>({ noticeHeight: 0, footerMeasured: () => undefined });

/** The body of every screen: one column that can be read, evidence beside it where there is room. */
export function Screen({ children, aside, footer, title }: ScreenProps) {
  const wide = useWide();
  const { roles } = useTheme();
  const { noticeHeight, footerMeasured } = useContext(PageEndContext);
  const hasFooter = Boolean(footer);
  const footerAt = useRef<View>(null);
  // Its layout is told a frame late: a notice that floats there already would stand on it for that long.
  const isCovered = hasFooter && noticeHeight > 0;
  useLayoutEffect(() => {
    if (isCovered) footerMeasured((footerAt.current as unknown as HTMLElement).offsetHeight);
  }, [isCovered, footerMeasured]);
  useLayoutEffect(() => (hasFooter ? () => footerMeasured(0) : undefined), [hasFooter, footerMeasured]);
  return (
    <View role="main" aria-label={title} style={styles.screen}>
      <View style={styles.columns}>
        <View style={styles.flex}>
          <ScrollView
            style={styles.flex}
            contentContainerStyle={[
              styles.column,
              wide && styles.columnWide,
              noticeHeight > 0 && { paddingBottom: space(10) + noticeHeight },
            ]}
          >
            {children}
            {!wide && aside ? (
              <View style={[styles.asideBelow, { borderColor: roles.hairline }]}>
                <Later>{aside}</Later>
              </View>
            ) : null}
          </ScrollView>
          {footer ? (
            <View
              ref={footerAt}
              onLayout={({ nativeEvent }) => footerMeasured(nativeEvent.layout.height)}
              style={[
                styles.footer,
                wide && styles.footerWide,
                { backgroundColor: roles.paper, borderColor: roles.hairline },
              ]}
            >
              <View style={styles.footerInside}>{footer}</View>
            </View>
          ) : null}
        </View>
        {wide && aside ? (
          // Reachable by keyboard: what scrolls must be.
          <ScrollView
            tabIndex={0}
            role="region"
            aria-label={`${title}: evidence`}
            style={[styles.aside, { backgroundColor: roles.paper, borderColor: roles.hairline }]}
            contentContainerStyle={styles.asideInside}
          >
            <Later>{aside}</Later>
          </ScrollView>
        ) : null}
      </View>
    </View>
  );
}

/** Drawn once the rest has been on the screen for a moment, in slices that let a touch through: for what stands below the answer. */
export function Later({ children }: { children: ReactNode }) {
  const [shown, setShown] = useState(false);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    // After the frame in which the answer is painted.
    const frame = requestAnimationFrame(() => {
      timer = setTimeout(() => startTransition(() => setShown(true)), 0);
    });
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(timer);
    };
  }, []);
  return shown ? children : null;
}

/** A part of a page that is made anew now and then: as high while it is as it was before, so that nobody who reads below it loses their place. */
export function KeepsRoom({ isMaking, children }: { isMaking: boolean; children: ReactNode }) {
  const [height, setHeight] = useState(0);
  return (
    <View
      style={[styles.room, isMaking && { minHeight: height }]}
      onLayout={({ nativeEvent }) => {
        if (!isMaking) setHeight(nativeEvent.layout.height);
      }}
    >
      {children}
    </View>
  );
}

/** A long list drawn a few rows at a time, so that opening it stays a string of short tasks. */
export function Steadily({ rows, step }: { rows: readonly ReactNode[]; step: number }) {
  return (
    <>
      {rows.slice(0, step)}
      {rows.length > step ? (
        <Later>
          <Steadily rows={rows.slice(step)} step={step} />
        </Later>
      ) : null}
    </>
  );
}

/** A part under a hairline with its own heading. */
export function Section({
  title,
  right,
  children,
}: {
  title?: string;
  right?: ReactNode;
  children: ReactNode;
}) {
  const { roles } = useTheme();
  return (
    <View style={[styles.section, { borderColor: roles.hairline }]}>
      {title ? (
        <View style={styles.between}>
          <Txt kind="section" heading={2} style={styles.shrink}>
            {title}
          </Txt>
          {right}
        </View>
      ) : null}
      {children}
    </View>
  );
}

export function Row({
  children,
  style,
  wrap,
}: {
  children: ReactNode;
  style?: StyleProp<ViewStyle>;
  wrap?: boolean;
}) {
  return <View style={[styles.row, wrap && styles.wrap, style]}>{children}</View>;
}

/** Fields side by side, as many as fit, the same width each. */
export function FieldRow({ children }: { children: ReactNode }) {
  return (
    <View style={[styles.row, styles.wrap, styles.fields]}>
      {Children.map(children, (child) => (child ? <View style={styles.field}>{child}</View> : null))}
    </View>
  );
}

/** A line with a name at the left and a value at the right, under a hairline. */
export function Line({ name, value, tone = 'ink' }: { name: string; value: ReactNode; tone?: Role }) {
  const { roles } = useTheme();
  return (
    <View style={[styles.line, { borderColor: roles.hairline }]}>
      <Txt style={styles.shrink}>{name}</Txt>
      {typeof value === 'string' ? (
        <Txt kind="strong" tone={tone} style={styles.value}>
          {value}
        </Txt>
      ) : (
        value
      )}
    </View>
  );
}

/** A link to another place of the app, as text with a full-height target. */
export function Go({
  href,
  children,
  name,
  kind = 'inline',
}: {
  href: Href;
  children: string;
  name?: string;
  kind?: 'inline' | 'row';
}) {
  const { roles } = useTheme();
  return (
    <Link
      href={href}
      aria-label={name ?? children}
      style={[
        TYPE.strong,
        styles.link,
        kind === 'row' && styles.linkRow,
        { color: roles.action, borderColor: roles.hairline },
      ]}
    >
      {children}
    </Link>
  );
}

/** Two quiet lines and a way on, where there is nothing yet; `alone` when it is the whole screen. */
export function Empty({
  title,
  text,
  alone,
  children,
}: {
  title: string;
  text: string;
  alone?: boolean;
  children?: ReactNode;
}) {
  return (
    <View style={styles.empty}>
      <Txt kind={alone ? 'title' : 'section'} heading={alone ? 1 : 2}>
        {title}
      </Txt>
      <Txt tone="second">{text}</Txt>
      {children}
    </View>
  );
}

/** A caution, said once at the point of risk. */
export function Caution({ children }: { children: string }) {
  const { roles } = useTheme();
  return (
    <View role="note" style={[styles.caution, { borderColor: roles.ammonia }]}>
      <Txt kind="small">
        <Txt kind="label" tone="ammonia">
          Take care.{' '}
        </Txt>
        {children}
      </Txt>
    </View>
  );
}

const styles = styleSheet({
  screen: { flex: 1 },
  flex: { flex: 1 },
  columns: { flex: 1, flexDirection: 'row' },
  column: { padding: space(5), paddingTop: space(2), paddingBottom: space(10), gap: space(3) },
  room: { gap: space(3) },
  columnWide: { paddingHorizontal: space(9), paddingTop: space(6), maxWidth: 720, width: '100%' },
  aside: { flexGrow: 0, flexShrink: 0, flexBasis: '42%', maxWidth: 560, borderLeftWidth: 1 },
  asideInside: { padding: space(8), gap: space(3) },
  asideBelow: { borderTopWidth: 1, paddingTop: space(4), gap: space(3) },
  footer: { borderTopWidth: 1, paddingHorizontal: space(5), paddingVertical: space(3) },
  footerWide: { paddingHorizontal: space(9) },
  // As wide as what is above it: the column of a wide screen without its margins.
  footerInside: { width: '100%', maxWidth: 720 - 2 * space(9) },
  section: {
    borderTopWidth: 1,
    paddingTop: space(4),
    paddingBottom: space(2),
    gap: space(2),
    marginTop: space(2),
  },
  between: { flexDirection: 'row', alignItems: 'baseline', justifyContent: 'space-between', gap: space(3) },
  row: { flexDirection: 'row', alignItems: 'center', gap: space(3) },
  wrap: { flexWrap: 'wrap' },
  fields: { alignItems: 'flex-start' },
  field: { flexGrow: 1, flexBasis: 140 },
  line: {
    flexDirection: 'row',
    justifyContent: 'space-between',
    gap: space(4),
    paddingVertical: space(2),
    borderBottomWidth: 1,
  },
  shrink: { flexShrink: 1 },
  value: { textAlign: 'right', flexShrink: 0, maxWidth: '60%' },
  link: { textDecorationLine: 'underline', paddingVertical: space(3), lineHeight: 24, minHeight: TARGET },
  linkRow: { borderTopWidth: 1, textDecorationLine: 'none' },
  empty: { gap: space(3), paddingVertical: space(8) },
  caution: { borderLeftWidth: 4, paddingLeft: space(3), paddingVertical: space(1), marginVertical: space(1) },
});
