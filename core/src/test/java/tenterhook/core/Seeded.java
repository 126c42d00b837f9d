package tenterhook.core;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** A property, tried on blocks of seeds; its parameter is the block's number for {@link Seeds}. */
@Target(ElementType.METHOD)
@Retention(RetentionPolicy.RUNTIME)
@ParameterizedTest(name = "block {0}")
@MethodSource("tenterhook.core.Seeds#blocks")
public @interface Seeded {}
