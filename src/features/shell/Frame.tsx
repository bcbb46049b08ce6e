import type { Water } from '../../../core/document';
import { showQuantity } from '../../../core/units';
import { MINUTE_MS } from '../../../core/time';
import { Link, usePathname, useRouter, type Href } from 'expo-router';
import { memo, useEffect, useMemo, useState, type ReactNode } from 'react';
import { View } from 'react-native';
import {
  redo,
  selectLastWater,
  selectWaters,
  selectVolume,
  waterVisited,
  undo,
  useAppDispatch,
  useAppSelector,
  useNow,
  selectSettings,
} from '../../store';
import {
  ICONS,
  Later,
  PageEndContext,
  space,
  TARGET,
  TYPE,
  Txt,
  useTheme,
  useWide,
  styleSheet,
} from '../../ui';
import { placeOf, placesOf, waterIdOf } from './places';
import { ageWords } from './water';
import { DemoNotice } from './DemoNotice';
import { StorageAlert } from './StorageAlert';
import { UndoNotice } from './UndoNotice';

/** The five places: at the bottom of a phone, in a rail on a wide screen. The water's name is the switcher. */
export function Frame({ children }: { children: ReactNode }) {
  const { roles, printing } = useTheme();
  const wide = useWide();
  const path = usePathname();
  const dispatch = useAppDispatch();
  const waters = useAppSelector(selectWaters);
  const lastWaterId = useAppSelector((s) => s.drafts.lastWaterId);
  const last = useAppSelector(selectLastWater);
  const inPath = waterIdOf(path);
  const water = waters.find((t) => t.id === inPath) ?? last;
  useEffect(() => {
    if (inPath && inPath !== lastWaterId && waters.some((t) => t.id === inPath))
      dispatch(waterVisited(inPath));
  }, [dispatch, inPath, lastWaterId, waters]);
  useShortcuts(water ?? null);

  // The answer stands first; where one may go from it follows a moment later, in the room kept for it.
  const places = water ? (
    <Later>
      <Places water={water} here={placeOf(path)} wide={wide} />
    </Later>
  ) : null;
  if (wide) {
    return (
      <View style={[styles.wide, { backgroundColor: roles.ground }]}>
        <View role="navigation" aria-label="Places" style={[styles.rail, { borderColor: roles.hairline }]}>
          {water ? <WaterName waterId={water.id} name={water.name} /> : <Txt kind="title">Zoarium</Txt>}
          <View style={styles.railPlaces}>{places}</View>
          <View style={styles.railFoot}>
            <Later>
              <RailLink href="/agenda" label="Agenda" />
              <RailLink href="/files" label="Files" />
              <RailLink href="/settings" label="Units and theme" />
              <RailLink href="/keys" label="Keys ?" />
            </Later>
          </View>
        </View>
        <View style={styles.body}>
          {/* The rail stays off paper, and with it whose page this is. */}
          {printing && water ? (
            <View style={styles.onPaper}>
              <Txt kind="row">{water.name}</Txt>
            </View>
          ) : null}
          <Page>{children}</Page>
        </View>
      </View>
    );
  }
  return (
    <View style={[styles.phone, { backgroundColor: roles.ground }]}>
      <View role="banner" style={styles.head}>
        {water ? <WaterName waterId={water.id} name={water.name} /> : <Txt kind="row">Zoarium</Txt>}
      </View>
      <View style={styles.body}>
        <Page>{children}</Page>
      </View>
      {water ? (
        <View
          role="navigation"
          aria-label="Places"
          style={[styles.bar, { backgroundColor: roles.paper, borderColor: roles.hairline }]}
        >
          {places}
        </View>
      ) : null}
    </View>
  );
}

/** A screen between what stands above it and the notice that floats over its end, above the actions that stay in reach. */
function Page({ children }: { children: ReactNode }) {
  const [footerHeight, footerMeasured] = useState(0);
  const [noticeHeight, setNoticeHeight] = useState(0);
  const end = useMemo(() => ({ noticeHeight, footerMeasured }), [noticeHeight]);
  return (
    <PageEndContext.Provider value={end}>
      <DemoNotice />
      <StorageAlert />
      {children}
      <View
        style={[styles.floating, { bottom: footerHeight }]}
        onLayout={({ nativeEvent }) => setNoticeHeight(nativeEvent.layout.height)}
      >
        <UndoNotice />
      </View>
    </PageEndContext.Provider>
  );
}

function WaterName({ waterId, name }: { waterId: string; name: string }) {
  const { roles } = useTheme();
  const wide = useWide();
  const now = useNow(MINUTE_MS);
  const water = useAppSelector((s) => s.document.entities.waters[waterId]);
  const volume = useAppSelector((s) => (water ? selectVolume(s, waterId) : null));
  const { units } = useAppSelector(selectSettings);
  const age = water ? ageWords(water.startDay, now) : '';
  const litres = volume ? showQuantity('volume', volume.netL, units, 0) : '';
  return (
    <View style={[styles.name, wide && styles.nameWide]}>
      <Link
        href="/waters"
        aria-label={`${name}, switch water or settings`}
        style={[TYPE.row, styles.nameLink, wide && styles.nameLinkWide, { color: roles.ink }]}
        numberOfLines={wide ? 2 : 1}
      >
        {name}
        {'\u00a0▾'}
      </Link>
      <Txt kind="small" tone="second" style={styles.noWrap}>
        {[age, litres].filter(Boolean).join(' · ')}
      </Txt>
    </View>
  );
}

function Places({ water, here, wide }: { water: Water; here: string | null; wide: boolean }) {
  return (
    <>
      {placesOf(water.kind).map((place) => (
        <Place key={place.id} waterId={water.id} place={place} here={place.id === here} wide={wide} />
      ))}
    </>
  );
}

type Where = ReturnType<typeof placesOf>[number];

/** Of all places two change with a step from one to another: the rest is not drawn again. */
const Place = memo(function Place(props: { waterId: string; place: Where; here: boolean; wide: boolean }) {
  const { waterId, place, here, wide } = props;
  const { roles } = useTheme();
  const Icon = ICONS[place.id];
  return (
    <Link
      href={`/water/${waterId}${place.path}` as Href}
      aria-label={place.label}
      aria-current={here ? 'page' : undefined}
      style={wide ? styles.railPlace : styles.barPlace}
    >
      <View style={wide ? styles.railInside : styles.barInside}>
        <View
          style={[
            wide ? styles.railMark : styles.barMark,
            { backgroundColor: here ? roles.action : 'transparent' },
          ]}
        />
        <Icon size={wide ? 20 : 22} color={here ? roles.ink : roles.second} />
        <Txt
          kind={here ? (wide ? 'strong' : 'label') : wide ? 'body' : 'small'}
          tone={here ? 'ink' : 'second'}
          style={wide ? undefined : styles.barLabel}
        >
          {place.label}
        </Txt>
      </View>
    </Link>
  );
});

function RailLink({ href, label }: { href: Href; label: string }) {
  const { roles } = useTheme();
  return (
    <Link href={href} style={[TYPE.small, styles.railLink, { color: roles.second }]}>
      {label}
    </Link>
  );
}

/** Single keys, off while typing; none that the browser uses. Listed under "?". */
function useShortcuts(water: Water | null) {
  const router = useRouter();
  const dispatch = useAppDispatch();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement | null;
      const typing = target?.matches('input, textarea, select, [contenteditable]') ?? false;
      if (event.metaKey || event.ctrlKey || event.altKey || typing) return;
      const place = water && placesOf(water.kind).find((p) => p.key === event.key);
      if (place) router.push(`/water/${water.id}${place.path}` as Href);
      else if (event.key === '?') router.push('/keys');
      else if (event.key === 'u') void dispatch(undo());
      else if (event.key === 'r') void dispatch(redo());
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [dispatch, router, water]);
}

const styles = styleSheet({
  wide: { flex: 1, flexDirection: 'row' },
  phone: { flex: 1 },
  body: { flex: 1 },
  floating: { position: 'absolute', left: 0, right: 0, pointerEvents: 'box-none' },
  rail: { width: 196, borderRightWidth: 1, paddingHorizontal: space(5), paddingVertical: space(6) },
  railPlaces: { marginTop: space(8), gap: space(1), flex: 1 },
  railPlace: { display: 'flex', minHeight: TARGET, justifyContent: 'flex-start' },
  railInside: { flexDirection: 'row', alignItems: 'center', gap: space(3), minHeight: TARGET },
  railMark: { width: 4, height: 26, borderRadius: 2, marginLeft: -space(5) + 10 },
  railFoot: { gap: 0 },
  railLink: { minHeight: 40, paddingVertical: space(2) },
  head: { paddingHorizontal: space(5), paddingTop: space(2) },
  onPaper: { paddingHorizontal: space(9), paddingTop: space(2) },
  name: { flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between', gap: space(3) },
  nameWide: { flexDirection: 'column', alignItems: 'flex-start', gap: 0 },
  nameLink: { flexShrink: 1, minHeight: TARGET, paddingVertical: space(3) },
  // A cut-off third line would show in a padding.
  nameLinkWide: { paddingVertical: 0, marginTop: space(2) },
  noWrap: { flexShrink: 0 },
  bar: { flexDirection: 'row', borderTopWidth: 1, justifyContent: 'space-around', minHeight: 65 },
  barPlace: { flex: 1, minHeight: 64, display: 'flex', textAlign: 'center' },
  barInside: { alignItems: 'center', gap: space(1), flex: 1, minHeight: 64 },
  barLabel: { fontSize: 15 },
  barMark: { width: 32, height: 4, borderRadius: 2 },
});
