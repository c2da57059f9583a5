package riposo.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;

class QuantityTest {
  @Test
  void impossibleValuesAreRefusedWithTheValue() {
    assertThatThrownBy(() -> new Effort(11)).hasMessageContaining("11");
    assertThatThrownBy(() -> new Pain(-1)).hasMessageContaining("-1");
    assertThatThrownBy(() -> new Effort(4).repsLeft()).isInstanceOf(IllegalStateException.class);
    assertThat(new Effort(8).repsLeft()).isEqualTo(2);
  }
}
