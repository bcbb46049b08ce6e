/** In place of what sets up the screens of a phone's own system and makes the stack of them: the router runs both before it draws anything, and
 *  nothing here is drawn by them. */
export const initScreensFeatureFlags = () => undefined;

const Nothing = () => null;
export const createNativeStackNavigator = () => ({ Navigator: Nothing });
