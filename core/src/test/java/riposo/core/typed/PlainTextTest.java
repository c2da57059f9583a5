package riposo.core.typed;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.Random;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PlainTextTest {
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "Ada Brook|Ada Brook",
        "Zoë Ångström|Zoë Ångström",
        "Ada\\u0000 Brook|Ada Brook",
        "\\u202eAda\\u202c|Ada",
        "A\\u200bd\\ufeffa|Ada",
        "so\\u00adft|soft",
        "a\\ud800b|ab",
        "one\\r\\ntwo\\u2028three|one\\ntwo\\nthree",
        "\\u0646\\u0645\\u06cc\\u200c\\u062e|\\u0646\\u0645\\u06cc\\u200c\\u062e",
        "\\ud83d\\udc69\\u200d\\ud83e\\uddbd|\\ud83d\\udc69\\u200d\\ud83e\\uddbd",
        "\\u200d\\u200dA\\u200d|A",
        "\\u3164|''",
      })
  void whatCannotBeSeenIsLeftOut(String typed, String kept) {
    assertThat(PlainText.of(spelled(typed))).isEqualTo(spelled(kept));
  }

  private static String spelled(String s) {
    String n = s.replace("\\n", "\n").replace("\\r", "\r");
    return java.util.regex.Pattern.compile("\\\\u([0-9a-f]{4})")
        .matcher(n)
        .replaceAll(
            m ->
                java.util.regex.Matcher.quoteReplacement(
                    String.valueOf((char) Integer.parseInt(m.group(1), 16))));
  }

  @Test
  void whateverIsTypedItIsTheSameWhenReadAgainAndPrints() {
    Random random = new Random(18);
    for (int i = 0; i < 5_000; i++) {
      String typed =
          random
              .ints(random.nextInt(40))
              .mapToObj(n -> String.valueOf((char) (random.nextBoolean() ? n & 0x7f : n & 0xffff)))
              .collect(Collectors.joining());
      String once = PlainText.of(typed);
      assertThat(PlainText.of(once)).isEqualTo(once);
      assertThat(PlainText.printable(once)).isEqualTo(once);
      assertThat(once.codePoints())
          .noneMatch(
              c ->
                  Character.isISOControl(c) && c != '\n' && c != '\t'
                      || c >= 0x202a && c <= 0x202e
                      || c >= 0x2066 && c <= 0x2069
                      || Character.getType(c) == Character.SURROGATE);
    }
  }

  @Test
  void whatXmlDoesNotKnowIsNotHandedToThePrinter() {
    assertThat(PlainText.printable("a\u0001b&#x1;c&#38;d&#2;\ufffee")).isEqualTo("abc&#38;de");
  }

  @Test
  void aDayLiesWithinItsRangeAndIsRefusedADayOutsideIt() {
    assertThat(Days.within(Days.FIRST)).isEqualTo("1900-01-01");
    assertThat(Days.within(Days.LAST)).isEqualTo("2199-12-31");
    assertThatThrownBy(() -> Days.within(LocalDate.of(1899, 12, 31)))
        .hasMessageContaining("between 1900 and 2199");
    assertThatThrownBy(() -> Days.within(LocalDate.of(2200, 1, 1)))
        .isInstanceOf(IllegalArgumentException.class);
  }
}
