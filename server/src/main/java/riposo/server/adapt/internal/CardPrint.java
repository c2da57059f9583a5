package riposo.server.adapt.internal;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.dose.Build;
import riposo.core.kit.Room;
import riposo.core.limit.Limit;
import riposo.core.limit.Side;
import riposo.core.movement.Movement;
import riposo.core.movement.Variant;
import riposo.core.plan.Block;
import riposo.core.wording.DoseWords;
import riposo.core.wording.Wording;
import riposo.server.adapt.AdaptedPlans.AdaptedView;
import riposo.server.adapt.AdaptedPlans.PartView;
import riposo.server.adapt.AdaptedPlans.SlotView;
import riposo.server.adapt.CardSafety;
import riposo.server.adapt.ClientDays;
import riposo.server.client.Clients;
import riposo.server.movement.FigureSvg;
import riposo.server.movement.Movements;
import riposo.server.platform.Pdf;
import riposo.server.platform.Problems;
import riposo.server.platform.Studios;

/** The client card on paper: the adapted plan in large type, with cautions. */
@Service
@Transactional
class CardPrint {
  /** Pixels; 96 to the inch on paper. */
  private static final int FIGURE_HEIGHT = 62;

  private final AdaptService adapted;
  private final Movements movements;
  private final Clients clients;
  private final ClientDays days;
  private final CardSafety safety;
  private final Studios studios;
  private final Pdf pdf;

  CardPrint(
      AdaptService adapted,
      Movements movements,
      Clients clients,
      ClientDays days,
      CardSafety safety,
      Studios studios,
      Pdf pdf) {
    this.movements = movements;
    this.adapted = adapted;
    this.clients = clients;
    this.days = days;
    this.safety = safety;
    this.studios = studios;
    this.pdf = pdf;
  }

  @Transactional(readOnly = true)
  Pdf.Printed print(UUID clientId, UUID planId, @Nullable LocalDate date, Pdf.Paper paper) {
    LocalDate day = date == null ? studios.today() : date;
    Clients.Client client = clients.require(clientId);
    CardSafety.Safety safety = this.safety.of(clientId);
    if (safety.closed() != null) {
      throw Problems.refused("no-card", "No card while this client may not train.", safety.why());
    }
    AdaptedView view = adapted.view(clientId, planId, day);
    List<Map<String, Object>> slots = new ArrayList<>();
    for (SlotView s : view.slots()) {
      if (s.block() == Block.WORK) {
        slots.add(
            Map.of(
                "number",
                slots.size() + 1,
                "title",
                s.title(),
                "figure",
                s.parts().stream().map(this::figure).collect(Collectors.joining()),
                "cue",
                s.parts().stream()
                    .flatMap(p -> p.cues().stream().limit(2))
                    .distinct()
                    .limit(2)
                    .collect(Collectors.joining(" · ")),
                "dose",
                s.parts().stream()
                    .map(p -> dose(p, client.printed(), client.record().build()))
                    .distinct()
                    .collect(Collectors.joining("; ")),
                "times",
                Wording.times(view.timeline(), s.key()),
                "reasons",
                s.reasons().stream().limit(1).map(Pdf::plain).toList(),
                "beside",
                beside(s)));
      }
    }
    List<String> ease = new ArrayList<>();
    for (Block b : new Block[] {Block.WARM_UP, Block.COOL_DOWN}) {
      String words =
          view.slots().stream()
              .filter(s -> s.block() == b)
              .map(SlotView::title)
              .collect(Collectors.joining("; "));
      if (!words.isEmpty()) {
        ease.add((b == Block.WARM_UP ? "Warm-up: " : "Cool-down: ") + words + ".");
      }
    }
    List<Limit> active = days.of(clientId, day).caps().active();
    List<String> kept =
        active.isEmpty()
            ? List.of()
            : List.of(
                "Kept: "
                    + active.stream()
                        .map(l -> Pdf.plain(Wording.limit(l.axisId(), l.side(), l.cap())))
                        .distinct()
                        .collect(Collectors.joining("; "))
                    + ".");
    byte[] out =
        pdf.render(
            "card",
            Map.of(
                "name",
                client.name(),
                "head",
                Wording.day(day)
                    + " · "
                    + view.planName()
                    + (view.timeline().total() > 0
                        ? " · " + Wording.clock(view.timeline().total())
                        : " · no clock, ticked off through the day")
                    + (view.effortCap() == null
                        ? " · effort about " + client.goalEffort() + " of 10"
                        : " · effort "
                            + Math.min(client.goalEffort(), view.effortCap())
                            + " of 10, never over "
                            + view.effortCap())
                    + (view.workNote() == null ? "" : " · " + view.workNote()),
                "limits",
                kept,
                "slots",
                slots,
                "ease",
                ease,
                "open",
                safety.why(),
                "studio",
                studios.current().name()
                    + (studios.current().phone() == null
                        ? ""
                        : ", telephone " + studios.current().phone()),
                "own",
                safety.own().isEmpty() ? "" : String.join("; ", safety.own()) + ".",
                "stop",
                String.join("; ", safety.anyone())
                    + ". Then stop, sit or lie safely, emergency number "
                    + studios.current().emergencyNumber()
                    + ". Breathe out on effort, never hold."),
            "Made for this client and this day. A clinician's word and local protocol come first.",
            paper,
            false);
    return new Pdf.Printed(out, client.name() + " " + view.planName());
  }

  /** What a movement is for, why it is less, what fills its rests, and what is above it. */
  private static List<String> beside(SlotView s) {
    List<String> all = new ArrayList<>();
    if (!s.tasks().isEmpty()) {
      all.add(
          "For " + String.join(", ", s.tasks()) + (s.serves().isEmpty() ? "." : ": your goal."));
    }
    if (s.band() != null) {
      all.add("Band: " + s.band() + ".");
    }
    if (s.gap() != null) {
      all.add("Less for now: " + s.gap());
    }
    if (s.stretch() != null) {
      all.add("In the rests: " + s.stretch() + ".");
    }
    if (s.upper() != null && !s.upper().taken()) {
      all.add("Above it, when you are told so: " + s.upper().words() + ".");
    }
    return all.stream().map(Pdf::plain).toList();
  }

  private static String dose(PartView p, List<Room.Printed> printed, Build build) {
    String which = p.side() == Side.BOTH ? "" : p.side().name().toLowerCase(Locale.ROOT) + ": ";
    return which + DoseWords.said(p.dose(), printed, build);
  }

  /** The part drawn, start and end; nothing for a rest or a movement no longer known. */
  private String figure(PartView p) {
    Movement m = p.movementId() == null ? null : movements.planAdapter().find(p.movementId());
    return m == null
        ? ""
        : FigureSvg.write(
            movements.figures().draw(Variant.of(m, java.util.Set.copyOf(p.modifiers()), p.range())),
            FigureSvg.Phase.BOTH,
            FigureSvg.Ground.PAPER,
            m.name(),
            FIGURE_HEIGHT);
  }
}
