package riposo.server.group.internal;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import riposo.core.kit.Room;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.plan.Format;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Slot;
import riposo.core.screening.Happened;
import riposo.core.screening.Question;
import riposo.core.screening.Screening;
import riposo.core.tolerance.School;
import riposo.server.PathDesk;
import riposo.server.limit.Limits;
import riposo.server.platform.Problems;

/** The group sheet that is kept is never older than what happened. */
@SpringBootTest
class SheetKeptTest extends PathDesk {
  private static final Room BARE =
      new Room(
          List.of(), List.of(), List.of(), List.of(), List.of(), true, null, Set.of(), List.of());

  @Autowired MeetingService meetings;
  @Autowired GroupService groups;

  private UUID group;

  private GroupSheet kept() {
    return in(() -> meetings.sheet(group, null));
  }

  private GroupSheet anew() {
    return anew(() -> meetings.sheet(group, null));
  }

  private UUID somebody(String name) {
    UUID id = in(() -> clients.add(who(name, School.PAIN_FREE)));
    Map<String, String> answers = new HashMap<>();
    for (Question q : Screening.questions()) {
      if (q.kind() == Question.Kind.YES_NO) {
        answers.put(q.id(), q.protective() ? "yes" : "no");
      }
    }
    does(() -> screening.acceptAll(screening.take(id, answers, name)));
    return id;
  }

  private void change(@Nullable UUID room, UUID planId, int lanes, List<UUID> members) {
    does(
        () ->
            groups.change(
                group,
                groups.list(false).get(0).version(),
                new GroupService.GroupForm("Kept", room, planId, lanes, null, null, members)));
  }

  private void limit(UUID who, String axis, int cap, Strength strength) {
    does(
        () ->
            limits.add(
                who,
                new Limits.NewLimit(
                    axis, Side.BOTH, cap, strength, "Dr. X", null, studios.today(), null, null)));
  }

  @Test
  void whateverHappensTheSheetSaysWhatAFreshReadingSays() {
    screened();
    UUID bo = somebody("Bo Path");
    UUID cy = somebody("Cy Path");
    UUID di = somebody("Di Path");
    UUID room = in(() -> clients.addRoom("Hall", null, BARE));
    group = in(() -> groups.add("Kept", room, plan, 3, null, null, List.of(client, bo, cy)));
    UUID other =
        in(
            () ->
                plans.add(
                    "Other",
                    SessionPlan.of(
                        List.of(new Slot("w", "march", 300)),
                        List.of(new Slot("s1", "heel-raise-held", null)),
                        Format.intervals(40, 20, 2),
                        List.of(new Slot("c", "seated-breathing", 180)))));
    Map<String, Runnable> all = new LinkedHashMap<>();
    all.put("a limit", () -> limit(bo, "joint.shoulder-elevation.any", 30, Strength.FIRM));
    all.put(
        "an advised limit", () -> limit(client, "joint.knee-flexion.any", 30, Strength.ADVISED));
    all.put(
        "somebody away",
        () -> does(() -> meetings.away(group, studios.today(), new MeetingService.Away(cy, true))));
    all.put(
        "somebody drops in",
        () -> does(() -> meetings.dropIn(group, studios.today(), new MeetingService.Who(di))));
    all.put(
        "somebody moved",
        () -> does(() -> meetings.move(group, studios.today(), new MeetingService.Move(bo, 2))));
    all.put("laid out anew", () -> does(() -> meetings.anew(group, studios.today())));
    all.put("two lanes", () -> change(room, plan, 2, List.of(client, bo, cy)));
    all.put("somebody leaves the group", () -> change(room, plan, 3, List.of(client, bo)));
    all.put("another plan", () -> change(room, other, 3, List.of(client, bo, cy)));
    all.put("no room", () -> change(null, plan, 3, List.of(client, bo, cy)));
    all.put(
        "a fall",
        () -> does(() -> screening.happen(bo, Happened.FALL, studios.today(), "on the stairs")));
    all.put("the effort aimed for", () -> does(() -> clients.setGoalEffort(client, 4)));
    all.put("a session", () -> session(4, 1, 0));
    all.put("verdicts accepted", this::acceptAll);

    List<String> order = new ArrayList<>(all.keySet());
    Collections.shuffle(order, new Random(18));
    assertThat(kept()).isEqualTo(anew()).isSameAs(kept());
    GroupSheet before = kept();
    List<String> shown = new ArrayList<>();
    List<String> refused = new ArrayList<>();
    for (String what : order) {
      try {
        all.get(what).run();
      } catch (Problems e) {
        refused.add(what + ": " + e.getMessage()); // still to be seen right
      }
      GroupSheet now = kept();
      assertThat(now).as("after %s", what).isEqualTo(anew());
      if (!now.equals(before)) {
        shown.add(what);
      }
      before = now;
    }
    assertThat(shown).as("refused: %s", refused).contains("an advised limit").hasSizeGreaterThan(6);
    clock.shift(Duration.ofDays(1));
    assertThat(kept()).as("a day later").isEqualTo(anew());
  }
}
