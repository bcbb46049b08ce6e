/** Tests are read by people who write the day first; one of their own says what others see. */
Object.defineProperty(globalThis.navigator, 'language', { value: 'en-GB', configurable: true });
