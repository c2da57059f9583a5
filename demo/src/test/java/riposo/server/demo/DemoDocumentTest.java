package riposo.server.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import riposo.catalogue.CatalogueReader;
import riposo.catalogue.PlanDocument;
import riposo.core.limit.Axis;
import riposo.core.movement.Catalogue;
import riposo.core.screening.Screening;
import riposo.server.demo.DemoDocument.ClientPart;
import riposo.server.demo.DemoDocument.Said;
import riposo.server.demo.DemoDocument.SessionPart;

class DemoDocumentTest {
  private final DemoDocument demo = DemoDocument.read("/demo/lanternfield.yaml");
  private final Catalogue catalogue = CatalogueReader.shipped();

  @Test
  void everyNameItUsesIsTold() {
    Set<String> plans = new HashSet<>();
    demo.plans().forEach(p -> assertThat(plans.add(p.key())).as(p.key()).isTrue());
    Set<String> people = new HashSet<>();
    demo.clients().forEach(c -> assertThat(people.add(c.name())).as(c.name()).isTrue());
    Set<String> rooms = new HashSet<>();
    demo.rooms().forEach(r -> rooms.add(r.name()));
    Set<String> unknown = new TreeSet<>();
    for (ClientPart c : demo.clients()) {
      c.sessions().stream()
          .map(SessionPart::plan)
          .filter(p -> !plans.contains(p))
          .forEach(unknown::add);
      if (c.today() != null && !plans.contains(c.today().plan())) {
        unknown.add(c.today().plan());
      }
      c.limits().stream().map(l -> l.axis()).filter(a -> !Axis.exists(a)).forEach(unknown::add);
      if (c.screening() != null) {
        Set<String> asked = new HashSet<>();
        Screening.questions().forEach(q -> asked.add(q.id()));
        c.screening().answers().keySet().stream()
            .filter(q -> !asked.contains(q))
            .forEach(unknown::add);
      }
    }
    demo.groups()
        .forEach(
            g -> {
              g.members().stream().filter(m -> !people.contains(m)).forEach(unknown::add);
              if (!plans.contains(g.plan()) || !rooms.contains(g.room())) {
                unknown.add(g.name());
              }
            });
    assertThat(unknown).isEmpty();
  }

  @Test
  void itsPlansAreDocumentsTheCatalogueCanDo() {
    List<String> names =
        demo.plans().stream()
            .filter(p -> p.document() != null)
            .map(p -> PlanDocument.read(p.document().toString(), catalogue).name())
            .toList();
    assertThat(names)
        .containsExactly("Steady Tuesday", "Chair and kettle", "Short and restful", "Week by week");
  }

  @Test
  void nothingHappensBeforeSomebodyJoinedNorAfterToday() {
    for (ClientPart c : demo.clients()) {
      int last = c.joined().day();
      for (SessionPart s : c.sessions()) {
        assertThat(s.day()).as(c.name()).isGreaterThan(last).isNegative();
        last = s.day();
        assertThat(s.effort()).isBetween(0, 10);
      }
    }
  }

  @Test
  void whatIsSaidOfAFamilyTakesThePlaceOfWhatIsSaidOfAll() {
    SessionPart flare = session("Odile Varga", -23);
    assertThat(flare.of("pull")).isEqualTo(new Said(5, 0, null, 0));
    assertThat(flare.of("overhead")).isEqualTo(new Said(6, 4, "right shoulder", 0));
    SessionPart tendon = session("Noor Hallström", -20);
    assertThat(tendon.of("split"))
        .as("the effort of all, the pain of its own")
        .isEqualTo(new Said(6, 2, "left knee", 2));
  }

  @Test
  void aWholeNumberStandsForADayFromToday() {
    ClientPart thandi = client("Thandi Mokoena");
    LocalDate today = LocalDate.of(2026, 3, 1);
    assertThat(thandi.screening().given(today))
        .containsEntry("pregnancy.due", "2026-06-18")
        .containsEntry("birth.any", "yes");
  }

  private ClientPart client(String name) {
    return demo.clients().stream().filter(c -> c.name().equals(name)).findFirst().orElseThrow();
  }

  private SessionPart session(String name, int day) {
    return client(name).sessions().stream().filter(s -> s.day() == day).findFirst().orElseThrow();
  }
}
