package riposo.catalogue;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import riposo.core.figure.Drawing;
import riposo.core.figure.Figures;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Family;
import riposo.core.movement.LoadKind;
import riposo.core.movement.Modifier;
import riposo.core.movement.Movement;
import riposo.core.movement.Position;
import riposo.core.movement.Soundness;
import riposo.core.movement.Variant;
import riposo.core.wording.RuleBook;
import riposo.core.wording.RuleEntry;

/** That every shipped movement is complete, hangs together, stands on its rung and is drawn. */
class CatalogueSoundTest {
  private static final Catalogue CATALOGUE = CatalogueReader.shipped();
  private static final Figures FIGURES = CatalogueReader.figures();

  @Test
  void noMovementContradictsItselfOrClaimsLessThanItsPosture() {
    for (Movement m : CATALOGUE.movements()) {
      assertThat(Soundness.contradictions(m)).as(m.id()).isEmpty();
      assertThat(Soundness.doubts(m)).as(m.id()).isEmpty();
      assertThat(m.cues()).as(m.id()).hasSizeBetween(2, 4);
      assertThat(m.faults()).as(m.id()).hasSizeBetween(1, 3);
      if (m.loadKind() == LoadKind.OWN
          && (m.position() == Position.RAISED_PLANK || m.position() == Position.FLOOR_PLANK)) {
        assertThat(m.share()).as(m.id() + " says what the arms move").isNotNull();
      }
    }
  }

  @Test
  void aFormThatIsMadeReadyAsksWhatOneMadeAnewAsks() {
    int cut = 0;
    for (Movement m : CATALOGUE.movements()) {
      for (Variant v : CATALOGUE.variants(m)) {
        assertSame(v, CATALOGUE.variant(m.id(), v.modifiers(), 100));
        if (m.modifiers().contains(Modifier.RANGE)
            && m.leastRange() < 100
            && v.modifiers().size() < Modifier.MOST) {
          Set<Modifier> with = new HashSet<>(v.modifiers());
          with.add(Modifier.RANGE);
          assertSame(
              Variant.of(m, with, m.leastRange()),
              CATALOGUE.variant(m.id(), List.copyOf(with), m.leastRange()));
          cut++;
        }
        Set<Modifier> unsaid = v.modifiers();
        assertThatThrownBy(() -> CATALOGUE.variant(m.id(), unsaid, 50))
            .as("%s, cut without a word", m.id())
            .isInstanceOf(IllegalArgumentException.class);
      }
    }
    assertThat(cut).isGreaterThan(100);
  }

  private static void assertSame(Variant anew, Variant ready) {
    String what = anew.movement().id() + " " + anew.modifiers() + " " + anew.range();
    assertThat(ready.modifiers()).as(what).isEqualTo(anew.modifiers());
    assertThat(ready.range()).as(what).isEqualTo(anew.range());
    assertThat(ready.whole()).as(what).isEqualTo(anew.whole());
  }

  @Test
  void everyHigherRungCanBeDefended() {
    for (Family f : CATALOGUE.families()) {
      List<Movement> rungs = f.rungs();
      for (int i = 0; i < rungs.size(); i++) {
        for (int j = i + 1; j < rungs.size(); j++) {
          assertThat(Soundness.outranks(rungs.get(i), rungs.get(j)))
              .as("%s below %s", rungs.get(i).id(), rungs.get(j).id())
              .isFalse();
        }
      }
    }
  }

  @Test
  void everyModifierAMovementTakesChangesSomethingInIt() {
    Set<Modifier> used = new HashSet<>();
    for (Movement m : CATALOGUE.movements()) {
      for (Modifier x : m.modifiers()) {
        used.add(x);
        // a range is cut to the caps; one side of what asks nothing of the arms is still one side
        if (x != Modifier.RANGE && x != Modifier.ONE_SIDE) {
          assertThat(x.effects(m)).as("%s %s", m.id(), x).isNotEmpty();
        }
      }
    }
    assertThat(used).containsExactlyInAnyOrder(Modifier.values());
  }

  @Test
  void everyMovementIsDrawnInsideItsFrameAndMostOfThemMove() {
    int still = 0;
    for (Movement m : CATALOGUE.movements()) {
      assertThat(FIGURES.has(String.valueOf(m.figure()))).as(m.id()).isTrue();
      for (Variant v : CATALOGUE.variants(m)) {
        Figures.Sketch s = FIGURES.draw(v);
        for (Drawing d : List.of(s.start(), s.end())) {
          inside(m.id(), d);
        }
        if (v.modifiers().isEmpty() && s.start().equals(s.end())) {
          still++;
        }
      }
    }
    assertThat(still).as("holds that look the same at both ends").isLessThan(12);
  }

  private static void inside(String id, Drawing d) {
    for (Drawing.Line l : d.lines()) {
      for (int i = 0; i < l.points().size(); i += 2) {
        assertThat(l.points().get(i))
            .as(id)
            .isBetween((double) Drawing.LEFT, (double) Drawing.LEFT + Drawing.WIDTH);
        assertThat(l.points().get(i + 1))
            .as(id)
            .isBetween((double) Drawing.TOP, (double) Drawing.TOP + Drawing.HEIGHT);
      }
    }
  }

  @Test
  void aCutRangeEndsBetweenStartAndFullEndAndShowsWhatIsClosed() {
    Movement squat = CATALOGUE.movement("squat");
    Variant full = Variant.of(squat, Set.of(), 100);
    Variant half = Variant.of(squat, Set.of(Modifier.RANGE), 50);
    double standing = head(FIGURES.draw(full).start());
    double deep = head(FIGURES.draw(full).end());
    double cut = head(FIGURES.draw(half).end());
    assertThat(cut).isGreaterThan(standing + 5).isLessThan(deep - 5);
    assertThat(FIGURES.draw(half).end().lines()).anyMatch(l -> l.role() == Drawing.Role.CLOSED);
    assertThat(FIGURES.draw(full).end().lines()).noneMatch(l -> l.role() == Drawing.Role.CLOSED);
  }

  /** How far down the head is: y grows downward. */
  private static double head(Drawing d) {
    return d.discs().get(d.discs().size() - 1).y();
  }

  @Test
  void theRuleBookNamesEveryRuleOnceWithItsSource() {
    List<RuleEntry> rules = RuleBook.read(CATALOGUE, LocalDate.of(2026, 11, 25));
    Set<String> ids = new HashSet<>();
    for (RuleEntry r : rules) {
      assertThat(ids.add(r.id())).as(r.id()).isTrue();
      assertThat(List.of(r.words(), r.source(), r.switched()))
          .as(r.id())
          .noneMatch(String::isBlank);
    }
    assertThat(ids)
        .contains(
            "limit.low-bone-density.spine.flexion.loaded",
            "limit.pregnancy.position.supine",
            "tolerance.ease.pain-free",
            "tolerance.never.gap",
            "today.sign.hot-joint",
            "today.pressure.lowish",
            "today.saturation.under-usual",
            "today.pressure.dysreflexia",
            "today.repeats",
            "stop.joint",
            "standing.stop-event",
            "standing.check-asked",
            "standing.happened.operation",
            "plan.floor-trips",
            "standing.sign.chest",
            "modifier.help-rising",
            "choose.cost.1.purpose",
            "choose.cost.3.kind",
            "choose.reach",
            "floor.chair",
            "floor.seen",
            "choose.session.variety");
    assertThat(rules).extracting(RuleEntry::school).contains("pain-free", "monitored", "calendar");
  }

  private static final String GOOD =
      """
      {"format": "riposo-movements/1", "movements": [
        {"id": "%s", "name": "Own", "family": "%s", "after": %s, "difficulty": %d,
         "position": "chair", "sides": "both", "tempo": "2-0-2-0", "load": "none",
         "muscles": {"primary": ["biceps"], "secondary": []}, "kit": ["chair"],
         "demands": {"joints": ["hip-flexion 80 free", "elbow-flexion 90 free"], "spine": [],
           "bearing": [], "impact": %d, "balance": 0, "supported": false, "hold": 0, "pressure": 0,
           "grip": 0, "effort": 2, "complexity": 1, "head": [], "acts": []},
         "modifiers": ["slower"], "cues": ["One", "Two"], "faults": ["Hurries"]}
      ]}
      """;

  private static String own(String id, String family, String after, int difficulty, int impact) {
    return GOOD.formatted(
        id, family, after == null ? "null" : '"' + after + '"', difficulty, impact);
  }

  @Test
  void anOwnMovementTakesItsPlaceAndComesBackTheSame() {
    List<OwnMovements.Own> read =
        OwnMovements.read(
            "own.json",
            own("easy-bend", "elbow-bend", "seated-curl-alternate", 11, 0),
            CATALOGUE,
            List.of());
    Catalogue with = OwnMovements.with(CATALOGUE, read, Set.of());
    Movement placed = with.movement("easy-bend");
    Movement below = with.movement("seated-curl-alternate");
    assertThat(placed.rung()).isEqualTo(below.rung() + 1);
    assertThat(with.movement("curl").rung()).isEqualTo(CATALOGUE.movement("curl").rung() + 1);
    String again = OwnMovements.write(List.of(read.get(0).document()));
    assertThat(OwnMovements.read("again", again, CATALOGUE, List.of())).isEqualTo(read);
    assertThat(OwnMovements.with(CATALOGUE, read, Set.of("easy-bend")).retired("easy-bend"))
        .isTrue();
  }

  @ParameterizedTest(name = "{0}")
  @CsvSource(
      delimiter = '|',
      nullValues = "-",
      textBlock =
          """
          easy-bend | no-family | -                     | 11 | 0 | line 2 /movements/0/family: there is no family
          curl      | elbow-bend | -                    | 2  | 0 | line 2 /movements/0/id: the id “curl” is used already
          easy-bend | elbow-bend | nobody               | 11 | 0 | /movements/0/after: there is no “nobody”
          easy-bend | elbow-bend | seated-curl-alternate | 90 | 0 | less difficult
          easy-bend | elbow-bend | seated-curl-alternate | 11 | 2 | line 6 /movements/0/demands/impact: impact while chair
          easy-bend | elbow-bend | easy-bend            | 11 | 0 | in a circle
          Easy Bend | elbow-bend | -                    | 2  | 0 | line 2 /movements/0/id
          easy-bend | elbow-bend | -                    | 200 | 0 | line 2 /movements/0/difficulty
          """)
  void aBadOwnMovementIsNamedByFileLineAndField(
      String id, String family, String after, int difficulty, int impact, String problem) {
    CatalogueException e =
        org.junit.jupiter.api.Assertions.assertThrows(
            CatalogueException.class,
            () ->
                OwnMovements.read(
                    "own.json",
                    own(
                        id.trim(),
                        family.trim(),
                        after == null ? null : after.trim(),
                        difficulty,
                        impact),
                    CATALOGUE,
                    List.of()));
    assertThat(e.problems()).allMatch(p -> p.startsWith("own.json"));
    assertThat(e.problems()).anyMatch(p -> p.contains(problem.trim()));
  }

  @Test
  void twoInACircleAndOneBadAmongGoodBringInNothing() {
    String two =
        own("a-bend", "elbow-bend", "b-bend", 11, 0)
            .replace(
                "\n]}\n",
                "," + own("b-bend", "elbow-bend", "a-bend", 11, 0).split("\"movements\": \\[")[1]);
    assertThat(
            org.junit.jupiter.api.Assertions.assertThrows(
                    CatalogueException.class,
                    () -> OwnMovements.read("two.json", two, CATALOGUE, List.of()))
                .problems())
        .hasSize(2)
        .allMatch(p -> p.contains("in a circle"));
  }

  @Test
  void familiesWithRungsOutOfOrderOrIdsTwiceAreRefusedWithTheirLine() {
    String push = CatalogueReader.text("push.yaml");
    List<String> found = new ArrayList<>();
    for (String bad :
        List.of(
            push.replaceFirst("rung: 2\n", "rung: 1\n"),
            push.replaceFirst("difficulty: 12\n", "difficulty: 90\n"),
            push.replaceFirst("id: wall-push-up\n", "id: palm-press\n"))) {
      found.addAll(
          org.junit.jupiter.api.Assertions.assertThrows(
                  CatalogueException.class,
                  () -> new CatalogueReader().read(Map.of("push.yaml", bad)))
              .problems());
    }
    assertThat(found)
        .allMatch(p -> p.matches("push\\.yaml line \\d+ /movements/\\d+/(rung|id): .+"))
        .anyMatch(p -> p.contains("does not stand above"))
        .anyMatch(p -> p.contains("less difficult"))
        .anyMatch(p -> p.contains("used twice"));
  }
}
