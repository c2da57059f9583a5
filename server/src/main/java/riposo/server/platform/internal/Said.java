package riposo.server.platform.internal;

import ch.qos.logback.classic.spi.ILoggingEvent;
import ch.qos.logback.core.pattern.CompositeConverter;
import java.util.regex.Pattern;

/**
 * What goes to the log: whatever somebody sent stands in its own entry. Signs that cannot be seen
 * become question marks, and every line of an entry after its first is set in, so that none can
 * pass for an entry.
 */
public final class Said extends CompositeConverter<ILoggingEvent> {
  private static final Pattern UNSEEN =
      Pattern.compile("[\\p{Cc}\\p{Cf}\\p{Cs}\u2028\u2029&&[^\n\t]]");
  private static final Pattern FURTHER_LINE = Pattern.compile("\n(?=[^\n])");

  @Override
  protected String transform(ILoggingEvent event, String in) {
    return of(in);
  }

  static String of(String in) {
    return FURTHER_LINE.matcher(UNSEEN.matcher(in).replaceAll("?")).replaceAll("\n  | ");
  }
}
