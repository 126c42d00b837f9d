/**
 * What is new and not yet finished: batches, copies among them, how long they will take, and where
 * their files should go. Start at {@link tenterhook.core.arrival.Arrivals}.
 */
@NullMarked
package tenterhook.core.arrival;

import org.jspecify.annotations.NullMarked;
