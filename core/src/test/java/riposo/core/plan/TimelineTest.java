package riposo.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import riposo.core.limit.Side;
import riposo.core.movement.Position;
import riposo.core.movement.Tempo;

class TimelineTest {
  private static final Tempo USUAL = Tempo.of("2-0-2-0");

  private static Station work(int n, Position position, boolean oneSided) {
    Piece left = new Piece(Side.LEFT, position, USUAL, 0, false);
    Piece right = new Piece(Side.RIGHT, position, USUAL, 0, false);
    Piece both = new Piece(Side.BOTH, position, USUAL, 0, false);
    return new Station("s" + n, Block.WORK, 0, oneSided ? List.of(left, right) : List.of(both));
  }

  private static Timeline compile(List<Station> stations, int work, int rest, int rounds, int cap) {
    return Timeline.compile(
        stations, new IntervalsInOrder(work, rest, rounds), cap, Mobility.USUAL);
  }

  @ParameterizedTest(name = "{0} x {1}/{2}, {3} rounds = {4} s")
  @CsvSource({"10, 50, 10, 2, 1200", "8, 20, 10, 1, 240", "5, 60, 0, 1, 300"})
  void workedTotals(int n, int work, int rest, int rounds, int total) {
    List<Station> s = new ArrayList<>();
    for (int i = 0; i < n; i++) {
      s.add(work(i, Position.STANDING, i % 2 == 0));
    }
    assertThat(compile(s, work, rest, rounds, Integer.MAX_VALUE).total()).isEqualTo(total);
  }

  @Test
  void segmentsTileTheWholeAndBothSidesGetEqualTime() {
    for (int seed = 0; seed < 200; seed++) {
      Random random = new Random(seed);
      List<Station> stations = new ArrayList<>();
      for (int i = 0; i < 6; i++) {
        Position p = Position.values()[random.nextInt(Position.values().length)];
        stations.add(work(i, p, random.nextBoolean()));
      }
      Timeline t =
          compile(
              stations,
              11 + random.nextInt(60),
              random.nextInt(40),
              1 + random.nextInt(3),
              random.nextBoolean() ? 100 : Integer.MAX_VALUE);
      int at = 0;
      int left = 0;
      int right = 0;
      for (Segment g : t.segments()) {
        assertThat(g.start()).as("seed %d", seed).isEqualTo(at);
        at = g.endExclusive();
        if (g.kind() == Segment.Kind.WORK) {
          left += g.side() == Side.LEFT ? g.length() : 0;
          right += g.side() == Side.RIGHT ? g.length() : 0;
        }
      }
      assertThat(at).isEqualTo(t.total());
      assertThat(left).as("seed %d", seed).isEqualTo(right);
    }
  }

  @Test
  void aChangeOfPostureUsesUpTheRestFirst() {
    List<Station> s = List.of(work(1, Position.STANDING, false), work(2, Position.SUPINE, false));
    Timeline enough = compile(s, 40, 30, 1, Integer.MAX_VALUE);
    assertThat(enough.total()).isEqualTo(140);
    assertThat(enough.segments()).extracting(Segment::length).containsExactly(40, 10, 20, 40, 30);
    Timeline tight = compile(s, 40, 15, 1, Integer.MAX_VALUE);
    assertThat(tight.total()).isEqualTo(115);
    assertThat(tight.floorTrips()).isEqualTo(1);
  }

  @Test
  void aClientWithAWorkCapWorksTheFirstHalfAndTheClockStaysShared() {
    List<Station> s = List.of(work(1, Position.CHAIR, false));
    Timeline t = compile(s, 20, 10, 1, 100);
    assertThat(t.segments()).extracting(Segment::length).containsExactly(15, 15);
    assertThat(t.segments().get(0).reps()).isEqualTo(3);
  }

  @Test
  void expectedRepsAreRoundedDown() {
    assertThat(USUAL.repsIn(45)).isEqualTo(11);
    assertThat(Tempo.of("3-0-2-0").repsIn(45)).isEqualTo(9);
    assertThat(Tempo.of("4-4-1-0").seconds()).isEqualTo(9);
  }

  @Test
  void shortWarmUpIsFlaggedNotRefused() {
    Piece p = new Piece(Side.BOTH, Position.CHAIR, USUAL, 0, false);
    List<Station> s = new ArrayList<>(List.of(new Station("w", Block.WARM_UP, 299, List.of(p))));
    for (int i = 0; i < 10; i++) {
      s.add(work(i, Position.CHAIR, false));
    }
    s.add(new Station("c", Block.COOL_DOWN, 180, List.of(p)));
    assertThat(PlanCheck.of(compile(s, 50, 10, 2, Integer.MAX_VALUE)))
        .containsExactly(new PlanCheck(PlanCheck.WARM_UP_SHORT, 299, 300));
  }

  @Test
  void impossiblePlansAreRefused() {
    assertThatThrownBy(() -> new IntervalsInOrder(0, 10, 1)).hasMessageContaining("work");
    assertThatThrownBy(() -> new IntervalsInOrder(40, -1, 1)).hasMessageContaining("rest");
    List<Slot> four = List.of(new Slot("a", "squat", 60));
    assertThatThrownBy(() -> new SessionPlan(four, four, new IntervalsInOrder(40, 20, 1), four))
        .hasMessageContaining("5 to 8");
  }
}
