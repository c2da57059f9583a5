package riposo.core.tolerance;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import riposo.core.dose.Gap;
import riposo.core.run.DoneRun;
import riposo.core.run.DoneSet;
import riposo.core.run.StopSign;

/**
 * What a client's runs say, family by family, in time order.
 *
 * @param families by id, in the order they first came up
 */
public record History(Map<String, List<FamilySession>> families) {
  /** What was decided of a family after a run, or waits to be; null where nothing was judged. */
  public interface Decided {
    @Nullable Verdict of(UUID runId, String familyId);

    /** The change that was decided on; null while none was. */
    default Change.@Nullable Kind taken(UUID runId, String familyId) {
      return null;
    }
  }

  /**
   * Sorts runs into families. Where one family of a run hurt and another did not, the next morning
   * is laid at the door of the one that did.
   *
   * @param runs in time order
   * @param answers check-ins by run
   * @param seconds those at 72 h, where they were asked for
   * @param usualPain of the client, 0 to 10: only what is over it hurts
   */
  public static History of(
      List<DoneRun> runs,
      Map<UUID, NextDay> answers,
      Map<UUID, FamilySession.Second> seconds,
      int usualPain,
      Decided decided) {
    Map<String, List<FamilySession>> families = new LinkedHashMap<>();
    for (DoneRun run : runs) {
      Map<String, List<DoneSet>> byFamily =
          run.sets().stream()
              .collect(
                  Collectors.groupingBy(
                      DoneSet::familyId, LinkedHashMap::new, Collectors.toList()));
      boolean anyPain = byFamily.values().stream().anyMatch(l -> hurts(l, usualPain));
      boolean sign = run.stopped().stream().anyMatch(a -> a != StopSign.After.GLUCOSE);
      byFamily.forEach(
          (family, entries) -> {
            List<FamilySession> before = families.computeIfAbsent(family, k -> new ArrayList<>());
            before.add(
                new FamilySession(
                    run.id(),
                    run.date(),
                    entries,
                    run.painBefore(),
                    sign,
                    run.cut(),
                    run.effortCap(),
                    anyPain && !hurts(entries, usualPain),
                    fewerForGap(before, run.date(), entries),
                    answers.get(run.id()),
                    seconds.get(run.id()),
                    decided.of(run.id(), family),
                    decided.taken(run.id(), family)));
          });
    }
    return new History(families);
  }

  /** A gap cut the count: it is one of the first two sessions after it, and nothing was held. */
  private static boolean fewerForGap(
      List<FamilySession> before, LocalDate day, List<DoneSet> entries) {
    List<LocalDate> days = new ArrayList<>();
    for (int i = before.size() - 1; i >= 0 && days.size() < Gap.SESSIONS; i--) {
      LocalDate on = before.get(i).date();
      if (on.isBefore(day) && !days.contains(on)) {
        days.add(on);
      }
    }
    return Gap.of(days, day) != null
        && entries.stream().allMatch(e -> e.grams() == null || e.grams() == 0);
  }

  private static boolean hurts(List<DoneSet> entries, int usual) {
    return entries.stream().anyMatch(e -> e.pain() != null && e.pain() > usual);
  }

  /** The sessions of a family, empty when there are none. */
  public List<FamilySession> of(String familyId) {
    return families.getOrDefault(familyId, List.of());
  }

  /** The sessions of a family up to and with a run; empty when that run had none of it. */
  public List<FamilySession> upTo(String familyId, UUID runId) {
    List<FamilySession> all = of(familyId);
    for (int i = 0; i < all.size(); i++) {
      if (all.get(i).runId().equals(runId)) {
        return all.subList(0, i + 1);
      }
    }
    return List.of();
  }

  /** What a run says of a family. */
  public Optional<FamilySession> session(String familyId, UUID runId) {
    return of(familyId).stream().filter(s -> s.runId().equals(runId)).findFirst();
  }
}
