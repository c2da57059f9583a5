package riposo.core.run;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** The pulse at the work of a run, family by family. */
public final class WorkPulses {
  /** Seconds after the work in which a pulse still tells of it. */
  public static final int AFTER = 15;

  /** Milliseconds after a pulse within which the set it was read in is told. */
  private static final long TOLD = 120_000;

  private WorkPulses() {}

  /**
   * The median pulse of each family: a pulse is of the first set told after it, within two minutes.
   *
   * @param events pulses and sets of one person in one run, in time order
   * @param families family id by slot key
   * @return beats a minute by family id; without those in which none was read
   */
  public static Map<String, Integer> of(List<RunEvent> events, Map<String, String> families) {
    Map<String, List<Integer>> read = new HashMap<>();
    List<RunEvent.PulseRead> open = new ArrayList<>();
    for (RunEvent e : events) {
      if (e instanceof RunEvent.PulseRead p) {
        if (p.afterWork() == null || p.afterWork() <= AFTER) {
          open.add(p);
        }
      } else if (e instanceof RunEvent.Logged l) {
        String family = families.get(l.entry().slotKey());
        for (RunEvent.PulseRead p : open) {
          if (family != null && l.at() - p.at() <= TOLD) {
            read.computeIfAbsent(family, k -> new ArrayList<>()).add(p.pulse().bpm());
          }
        }
        open.clear();
      }
    }
    Map<String, Integer> medians = new HashMap<>();
    read.forEach(
        (family, all) -> {
          all.sort(null);
          medians.put(family, all.get((all.size() - 1) / 2));
        });
    return medians;
  }
}
