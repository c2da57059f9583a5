package riposo.server.platform;

import java.lang.annotation.Documented;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * The version that a change was made on, from the If-Match header such as "3". On a {@code long} it
 * is wanted: a 422 problem when it is missing. On a {@code Long} it is null then. Malformed is
 * always a 422 problem.
 */
@Documented
@Target(ElementType.PARAMETER)
@Retention(RetentionPolicy.RUNTIME)
public @interface IfMatch {}
