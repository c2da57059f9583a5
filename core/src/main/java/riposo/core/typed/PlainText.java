package riposo.core.typed;

/**
 * Text without what cannot be seen: control characters, invisible ones, ones that turn the
 * direction of the line, halves of characters. A text reads on every screen and paper as it reads
 * here.
 */
public final class PlainText {
  private static final int JOINER = 0x200d;
  private static final int NON_JOINER = 0x200c;

  private PlainText() {}

  /**
   * The text without them. Line ends become one kind; a joiner between two visible signs stays, as
   * scripts and pictures are written with it.
   */
  public static String of(String typed) {
    if (typed.chars().allMatch(c -> c >= 0x20 && c < 0x7f)) {
      return typed;
    }
    int[] all = typed.replace("\r\n", "\n").codePoints().toArray();
    StringBuilder out = new StringBuilder(typed.length());
    for (int i = 0; i < all.length; i++) {
      int c = all[i];
      if (c == '\r' || c == '\u000b' || c == '\f' || c == 0x85 || c == 0x2028 || c == 0x2029) {
        out.append('\n');
      } else if (seen(c)
          || (c == JOINER || c == NON_JOINER)
              && i > 0
              && i + 1 < all.length
              && joined(all[i - 1])
              && joined(all[i + 1])) {
        out.appendCodePoint(c);
      }
    }
    return out.toString();
  }

  /** Whether a text can be handed to what prints: no sign that XML does not know. */
  public static String printable(String xml) {
    StringBuilder out = new StringBuilder(xml.length());
    xml.codePoints().filter(PlainText::known).forEach(out::appendCodePoint);
    return REFERENCE
        .matcher(out)
        .replaceAll(
            m -> {
              String n = m.group(1);
              int c =
                  n.startsWith("x")
                      ? Integer.parseInt(n.substring(1), 16)
                      : Integer.parseInt(n, 10);
              return known(c) ? java.util.regex.Matcher.quoteReplacement(m.group()) : "";
            });
  }

  private static final java.util.regex.Pattern REFERENCE =
      java.util.regex.Pattern.compile("&#(x[0-9a-fA-F]{1,6}|[0-9]{1,7});");

  private static boolean known(int c) {
    return c == '\t'
        || c == '\n'
        || c == '\r'
        || c >= 0x20 && c <= 0xd7ff
        || c >= 0xe000 && c <= 0xfffd
        || c >= 0x10000 && c <= 0x10ffff;
  }

  private static boolean seen(int c) {
    return switch (Character.getType(c)) {
      case Character.CONTROL -> c == '\n' || c == '\t';
      case Character.FORMAT, Character.SURROGATE, Character.PRIVATE_USE -> false;
      // letters that are blanks
      default ->
          c != 0x115f
              && c != 0x1160
              && c != 0x3164
              && c != 0xffa0
              && c != 0x2800
              && (c & 0xfffe) != 0xfffe;
    };
  }

  private static boolean joined(int c) {
    return seen(c) && !Character.isWhitespace(c);
  }
}
