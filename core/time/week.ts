interface WeekInfo {
  /** 1 for Monday to 7 for Sunday. */
  firstDay: number;
}

/** On which day a week begins, 0 for Sunday, where a language is spoken (Unicode CLDR, by the engine); Monday (ISO 8601) where none tells. */
export function weekStart(language: string): number {
  try {
    // Engines before 2024 have it as a property.
    const locale: Intl.Locale & { getWeekInfo?: () => WeekInfo; weekInfo?: WeekInfo } = new Intl.Locale(
      language,
    );
    return ((locale.getWeekInfo?.() ?? locale.weekInfo)?.firstDay ?? 1) % 7;
  } catch {
    return 1;
  }
}
