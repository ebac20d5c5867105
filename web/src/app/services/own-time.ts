import { InjectionToken } from '@angular/core';

/**
 * Milliseconds since the epoch by this device, right or wrong: for how long ago something was here. What is entered goes by
 * the kitchen's time, which `Clock` knows. The one place where a page asks the device.
 */
export const OWN_TIME = new InjectionToken<() => number>('this device’s time', {
  providedIn: 'root',
  factory: () => () => Date.now(),
});
