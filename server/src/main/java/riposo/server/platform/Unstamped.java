package riposo.server.platform;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/** A row that nothing worked out under {@link Stamps} rests on. */
@Target(ElementType.TYPE)
@Retention(RetentionPolicy.RUNTIME)
public @interface Unstamped {
  /** Why, in a few words. */
  String value();
}
