import { METRIC, unitsOfLanguage, US_CUSTOMARY } from './index';

test.each(['en-US', 'es-US', 'en-LR', 'zh-Hant-US'])('%s: gallons and inches', (tag) =>
  expect(unitsOfLanguage(tag)).toEqual(US_CUSTOMARY),
);
test.each(['en-GB', 'de', 'en', 'fr-CA', 'zh-Hant-TW', 'en-AU', '', 'us'])(
  '%s: litres and centimetres',
  (tag) => expect(unitsOfLanguage(tag)).toEqual(METRIC),
);
