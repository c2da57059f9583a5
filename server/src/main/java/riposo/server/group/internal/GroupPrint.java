package riposo.server.group.internal;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.plan.Block;
import riposo.core.wording.Wording;
import riposo.server.platform.Pdf;

/** The group sheet on paper. */
@Service
@Transactional
class GroupPrint {
  private final MeetingService groups;
  private final Pdf pdf;

  GroupPrint(MeetingService groups, Pdf pdf) {
    this.groups = groups;
    this.pdf = pdf;
  }

  @Transactional(readOnly = true)
  Pdf.Printed print(UUID id, @Nullable LocalDate date, Pdf.Paper paper) {
    GroupSheet s = groups.sheet(id, date);
    List<GroupSheet.SheetSlot> work =
        s.slots().stream().filter(x -> x.block() == Block.WORK).map(GroupPrint::plain).toList();
    List<String> ease = new ArrayList<>();
    for (Block b : new Block[] {Block.WARM_UP, Block.COOL_DOWN}) {
      List<GroupSheet.SheetSlot> slots = s.slots().stream().filter(x -> x.block() == b).toList();
      if (!slots.isEmpty()) {
        ease.add(
            (b == Block.WARM_UP ? "Warm-up: " : "Cool-down: ")
                + slots.stream()
                    .map(
                        x ->
                            x.cells().stream()
                                    .filter(c -> c.title() != null)
                                    .map(c -> String.valueOf(c.title()))
                                    .distinct()
                                    .collect(Collectors.joining(" or "))
                                + " "
                                + x.work())
                    .collect(Collectors.joining("; "))
                + ".");
      }
    }
    String kit =
        "Kit: "
            + s.kit().stream()
                .map(
                    k -> k.words() + " × " + k.most() + (k.have() == null ? "" : " of " + k.have()))
                .collect(Collectors.joining(", "))
            + (s.shortages().isEmpty() ? "." : ". " + String.join(" ", s.shortages()));
    byte[] out =
        pdf.render(
            "group",
            Map.of(
                "sheet",
                s,
                "slots",
                work,
                "ease",
                ease,
                "kit",
                Pdf.plain(kit),
                "watch",
                s.watch().stream()
                    .map(
                        w ->
                            Pdf.plain(
                                "Watch " + w.name() + ": " + String.join("; ", w.reasons()) + "."))
                    .toList(),
                "head",
                Wording.day(s.date())
                    + " · "
                    + s.planName()
                    + " · "
                    + Wording.clock(s.totalSeconds())
                    + " · "
                    + s.people().size()
                    + (s.people().size() == 1 ? " person" : " people")
                    + (s.room() == null ? "" : " · " + s.room())),
            "Breathe out on effort, never hold. Chest pain, fainting, a drooping face: stop, make safe, emergency"
                + " call. Clinicians and local protocol come first.",
            paper,
            true);
    return new Pdf.Printed(out, s.name() + " " + s.date());
  }

  private static GroupSheet.SheetSlot plain(GroupSheet.SheetSlot s) {
    return new GroupSheet.SheetSlot(
        s.key(),
        s.block(),
        s.number(),
        s.purpose(),
        s.asked(),
        s.work(),
        s.cells().stream()
            .map(
                c ->
                    new GroupSheet.SheetCell(
                        c.lane(),
                        c.movementId(),
                        c.title(),
                        c.people(),
                        names(c.exceptions()),
                        c.weights()))
            .toList(),
        names(s.alone()),
        s.changed(),
        s.upper());
  }

  private static List<GroupSheet.SheetName> names(List<GroupSheet.SheetName> all) {
    return all.stream()
        .map(n -> new GroupSheet.SheetName(n.clientId(), n.name(), Pdf.plain(n.text())))
        .toList();
  }
}
