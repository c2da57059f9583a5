package riposo.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.math.RoundingMode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class QuantityTest {
  @ParameterizedTest
  @CsvSource({"1, 0.45359237", "5, 2.26796185", "0.5, 0.226796185"})
  void poundsAreExact(String lb, String kg) {
    Kilograms k = Kilograms.ofPounds(new BigDecimal(lb));
    assertThat(k.kg()).isEqualByComparingTo(kg);
    assertThat(k.pounds(1, RoundingMode.HALF_UP)).isEqualByComparingTo(lb);
  }

  @Test
  void gramsForCapsRoundUp() {
    assertThat(Kilograms.ofPounds(new BigDecimal("5")).gramsUp()).isEqualTo(2268);
    assertThat(Kilograms.of("2.5").gramsUp()).isEqualTo(2500);
  }

  @Test
  void impossibleValuesAreRefusedWithTheValue() {
    assertThatThrownBy(() -> new Kilograms(-1)).hasMessageContaining("-1");
    assertThatThrownBy(() -> new Effort(11)).hasMessageContaining("11");
    assertThatThrownBy(() -> new Pain(-1)).hasMessageContaining("-1");
    assertThatThrownBy(() -> new Effort(4).repsLeft()).isInstanceOf(IllegalStateException.class);
    assertThat(new Effort(8).repsLeft()).isEqualTo(2);
  }
}
