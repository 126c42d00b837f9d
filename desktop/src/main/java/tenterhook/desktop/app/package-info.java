/** Start and wiring. Start at {@link tenterhook.desktop.app.TenterhookApp}. */
@NullMarked
package tenterhook.desktop.app;

import org.jspecify.annotations.NullMarked;
