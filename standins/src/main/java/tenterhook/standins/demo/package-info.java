/**
 * The demo collection: about 400 tracks of a made-up DJ, messy on purpose, with the truth about
 * every trouble beside them. Start at {@link tenterhook.standins.demo.DemoMusic}.
 */
@NullMarked
package tenterhook.standins.demo;

import org.jspecify.annotations.NullMarked;
