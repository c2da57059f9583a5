package riposo.server.platform.internal;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SaidTest {
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '~',
      value = {
        "plain words, with ö and 👩|plain words, with ö and 👩",
        "a\\nERROR made up|a\\n  . ERROR made up",
        "a\\n\\nb\\n|a\\n\\n  . b\\n",
        "a\\r\\nb|a?\\n  . b",
        "\\u001b[31mred|?[31mred",
        "\\u202egnol|?gnol",
        "tab\\tstays|tab\\tstays",
      })
  void noLineThatSomebodySentPassesForAnEntry(String sent, String written) {
    assertThat(Said.of(spelled(sent))).isEqualTo(spelled(written).replace("  . ", "  | "));
  }

  private static String spelled(String s) {
    return s.replace("\\n", "\n")
        .replace("\\r", "\r")
        .replace("\\t", "\t")
        .replace("\\u001b", "\u001b")
        .replace("\\u202e", "\u202e");
  }
}
