/** Argument checks shared by the core. The message is built only on the failing path. */

/** Throws RangeError naming the argument, what was expected and what was got, unless min <= value <= max. */
export function assertRange(name: string, value: number, min: number, max: number, unit: string): void {
  if (!(value >= min && value <= max)) {
    throw new RangeError(`"${name}" must be between ${min} and ${max} ${unit}, got ${value}`);
  }
}

/** Throws RangeError unless value is a finite number above zero. */
export function assertPositive(name: string, value: number, unit: string): void {
  if (!(value > 0 && Number.isFinite(value))) {
    throw new RangeError(`"${name}" must be above 0 ${unit}, got ${value}`);
  }
}
