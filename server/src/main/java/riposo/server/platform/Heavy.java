package riposo.server.platform;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * A request that reckons or reads much. Few of them are worked on at once; the others wait a
 * little, and are then asked to come again, so that the light ones stay quick.
 */
@Target(ElementType.METHOD)
@Retention(RetentionPolicy.RUNTIME)
public @interface Heavy {}
