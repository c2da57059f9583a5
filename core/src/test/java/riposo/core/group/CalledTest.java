package riposo.core.group;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CalledTest {
  private static List<String> called(String... names) {
    Map<UUID, String> all = new HashMap<>();
    List<UUID> ids = new ArrayList<>();
    for (String n : names) {
      UUID id = new UUID(0, ids.size());
      ids.add(id);
      all.put(id, n);
    }
    Map<UUID, String> called = Called.of(all);
    return ids.stream().map(called::get).toList();
  }

  @ParameterizedTest(name = "{0}: {1}")
  @CsvSource({
    "Ilse Farkas/Rashid Temur, Ilse/Rashid",
    "Ilse Farkas/Ilse Varga/Rashid Temur, Ilse F./Ilse V./Rashid",
    "Ilse Farkas/Ilse Fodor/Ilse Varga, Ilse Farkas/Ilse Fodor/Ilse V.",
    "Ilse/Ilse Varga, Ilse/Ilse V.",
    "Ilse Maria Farkas/Ilse Farkas, Ilse Maria Farkas/Ilse Farkas",
    "Ilse, Ilse",
  })
  void byTheFirstNameAndAsMuchMoreAsTellsThemApart(String names, String words) {
    assertThat(String.join("/", called(names.split("/")))).isEqualTo(words);
  }

  @Test
  void nobodyOfAGroupIsCalledAsSomebodyElse() {
    String[] first = {"Ilse", "Rashid", "Odile"};
    String[] last = {"Farkas", "Fodor", "Varga", "Temur"};
    for (int seed = 0; seed < 200; seed++) {
      Random r = new Random(seed);
      String[] names =
          Stream.generate(() -> first[r.nextInt(3)] + " " + last[r.nextInt(4)])
              .distinct()
              .limit(2 + r.nextInt(7))
              .toArray(String[]::new);
      assertThat(called(names)).as("seed %d", seed).doesNotHaveDuplicates();
    }
  }
}
