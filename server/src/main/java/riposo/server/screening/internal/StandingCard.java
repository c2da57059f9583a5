package riposo.server.screening.internal;

import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import riposo.core.run.StartGate;
import riposo.core.run.StopSign;
import riposo.core.screening.Outcome;
import riposo.server.adapt.CardSafety;
import riposo.server.screening.Readiness;

/** What the standing of a client says of the printed card. */
@Component
class StandingCard implements CardSafety {
  private final Readiness readiness;

  StandingCard(Readiness readiness) {
    this.readiness = readiness;
  }

  @Override
  public Safety of(UUID clientId) {
    Readiness.ClientStanding s = readiness.of(clientId);
    StartGate.Closed closed = s.closed();
    List<StopSign> signs = StopSign.panel(s.stopFor());
    return new Safety(
        closed == null ? null : closed.bar().code,
        closed != null
            ? closed.why()
            : s.outcome() == Outcome.ASK_FIRST ? StartGate.worst(s.findings()) : List.of(),
        words(signs, s, StopSign.Place.OWN),
        words(signs, s, StopSign.Place.ANYONE));
  }

  private static List<String> words(
      List<StopSign> signs, Readiness.ClientStanding s, StopSign.Place place) {
    return signs.stream()
        .filter(x -> x != StopSign.OTHER && x.place(s.stopFor()) == place)
        .map(x -> Character.toLowerCase(x.words.charAt(0)) + x.words.substring(1))
        .toList();
  }
}
