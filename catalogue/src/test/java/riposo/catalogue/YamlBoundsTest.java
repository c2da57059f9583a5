package riposo.catalogue;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.snakeyaml.engine.v2.exceptions.YamlEngineException;
import riposo.catalogue.CatalogueException.Problem;

class YamlBoundsTest {
  /** Nine lines that stand for 9^9 values. */
  private static String laughs() {
    StringBuilder all = new StringBuilder("a: &a [x,x,x,x,x,x,x,x,x]\n");
    for (char c = 'b'; c <= 'i'; c++) {
      String before = "*" + (char) (c - 1);
      all.append(c).append(": &").append(c).append(" [");
      all.append(String.join(",", java.util.Collections.nCopies(9, before))).append("]\n");
    }
    return all.toString();
  }

  static Stream<Arguments> refused() {
    return Stream.of(
        Arguments.of("aliases that grow", laughs(), 1, "Anchors and aliases"),
        Arguments.of("an anchor nobody uses", "a: 1\nb: &x 2\n", 2, "Anchors and aliases"),
        Arguments.of("an alias of nothing", "a: 1\nb: 1\nc: *x\n", 3, "Anchors and aliases"),
        Arguments.of("a merge of a map", "a: &m {b: 1}\nc: {<<: *m}\n", 1, "Anchors and aliases"),
        Arguments.of("33 lists", "[".repeat(33) + "]".repeat(33), 1, "more than 32 deep"),
        Arguments.of("33 maps", "{a: ".repeat(33) + "1" + "}".repeat(33), 1, "more than 32 deep"),
        Arguments.of(
            "60,001 values",
            "- 1\n".repeat(YamlBounds.NODES),
            YamlBounds.NODES,
            "More than 60000"));
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("refused")
  void isRefusedWithItsLineBeforeAnythingIsMadeOfIt(
      String what, String text, int line, String words) {
    Problem p = YamlBounds.broken("own.yaml", text);
    assertThat(p).as(what).isNotNull();
    assertThat(p.line()).isEqualTo(line);
    assertThat(p.words()).contains(words);
  }

  @Test
  void whatIsJustWithinPasses() {
    assertThat(YamlBounds.broken("f", "[".repeat(32) + "]".repeat(32))).isNull();
    assertThat(YamlBounds.broken("f", "- 1\n".repeat(YamlBounds.NODES - 1))).isNull();
    assertThat(YamlBounds.broken("f", "a: 'x & y * z'\nb: |\n  &not *an alias\n")).isNull();
    assertThat(YamlBounds.broken("f", "")).isNull();
  }

  @Test
  void whatIsNoYamlAtAllSaysSo() {
    assertThatThrownBy(() -> YamlBounds.broken("f", "a: [1\nb: 2"))
        .isInstanceOf(YamlEngineException.class);
  }
}
