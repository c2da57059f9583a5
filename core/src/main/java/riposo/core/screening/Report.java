package riposo.core.screening;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Condition;
import riposo.core.limit.Proposal;
import riposo.core.limit.Side;

/** What the rules have found so far. */
final class Report {
  static final String RIEBE = "Riebe 2015";
  static final String SOGC = "SOGC/CSEP 2019";
  static final String HOUSE = "house rule";

  final Answers a;
  final List<Finding> findings = new ArrayList<>();
  final List<Proposal> proposals = new ArrayList<>();
  final List<CareNote> notes = new ArrayList<>();

  Report(Answers a) {
    this.a = a;
  }

  void find(String rule, Outcome outcome, String text, String source, @Nullable String id) {
    find(rule, outcome, text, source, id, null);
  }

  void find(
      String rule,
      Outcome outcome,
      String text,
      String source,
      @Nullable String id,
      @Nullable LocalDate since) {
    findings.add(
        new Finding(rule, outcome, id == null ? text : text + a.so(id), source, id, since));
  }

  /** A finding with its outcome when the question is answered yes or not sure. */
  void on(String id, String rule, Outcome outcome, String text, String source) {
    if (a.yes(id)) {
      find(rule, outcome, text, source, id);
    }
  }

  /** A condition's limits and notes, with the finding that brings them. */
  void limits(String id, Condition c, Side side, String text) {
    if (a.yes(id)) {
      find("standing." + id, Outcome.READY_WITH_LIMITS, text, c.source, id);
      propose(c, side, a.today);
    }
  }

  void propose(Condition c, Side side, LocalDate since) {
    for (Proposal p : c.proposals(side, a.today, since)) {
      boolean trained = p.axisId().equals("transfer.floor") && a.surely("floor.trained");
      if (!trained && proposals.stream().noneMatch(x -> x.key().equals(p.key()))) {
        proposals.add(p);
      }
    }
    for (String n : c.notes) {
      CareNote note = new CareNote(c.words, n, c.source);
      if (!notes.contains(note)) {
        notes.add(note);
      }
    }
  }
}
