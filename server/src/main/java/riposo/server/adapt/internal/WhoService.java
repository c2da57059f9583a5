package riposo.server.adapt.internal;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.catalogue.CatalogueException;
import riposo.catalogue.OwnMovements;
import riposo.catalogue.OwnMovements.Own;
import riposo.core.adapt.Adapter;
import riposo.core.adapt.Performed;
import riposo.core.adapt.Situation;
import riposo.core.limit.Broken;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Movement;
import riposo.core.movement.Soundness;
import riposo.core.wording.Wording;
import riposo.server.adapt.ClientDays;
import riposo.server.client.Clients;
import riposo.server.movement.Movements;
import riposo.server.movement.OwnDraft;
import riposo.server.platform.Problems;
import riposo.server.platform.Studios;

/** Who of the studio's clients may do a movement today, while it is written or after. */
@Service
@Transactional(readOnly = true)
class WhoService {
  /** A movement while it is written; the own movement it replaces, if any. */
  record WhoForm(
      @NotBlank(message = "Write the movement.")
          @Size(max = 20_000, message = "At most 20 000 characters.")
          String document,
      @Nullable @Size(max = 40) String replaces) {}

  /**
   * One client.
   *
   * @param how the modifiers that open it, in words; empty when it is open as it is or closed
   * @param why what closes it; empty when it is open
   */
  record WhoMay(UUID id, String name, boolean open, String how, List<String> why) {}

  /**
   * All clients.
   *
   * @param problems what is wrong with the document; the rest is empty when there is any
   * @param doubts what it claims below its posture
   */
  record WhoView(
      List<Problems.Field> problems,
      List<String> doubts,
      int asItIs,
      int withChange,
      int closed,
      List<WhoMay> people) {}

  private final Movements movements;
  private final Movements.Source source;
  private final Clients clients;
  private final ClientDays days;
  private final Studios studios;

  WhoService(
      Movements movements,
      Movements.Source source,
      Clients clients,
      ClientDays days,
      Studios studios) {
    this.movements = movements;
    this.source = source;
    this.clients = clients;
    this.days = days;
    this.studios = studios;
  }

  WhoView draft(WhoForm form) {
    List<Own> there = new ArrayList<>(source.own());
    Own own;
    try {
      own = OwnDraft.read(form.document(), movements, there, form.replaces());
    } catch (CatalogueException e) {
      return new WhoView(OwnDraft.fields(e), List.of(), 0, 0, 0, List.of());
    } catch (Problems e) {
      return new WhoView(
          List.of(new Problems.Field("", String.valueOf(e.getMessage()))),
          List.of(),
          0,
          0,
          0,
          List.of());
    }
    there.removeIf(o -> o.movement().id().equals(form.replaces()));
    there.add(own);
    return who(OwnMovements.with(movements.shipped(), there, Set.of()), own.movement().id());
  }

  WhoView one(String id) {
    Catalogue catalogue = movements.catalogue();
    if (catalogue.find(id).isEmpty()) {
      throw Problems.notFound("movement", id);
    }
    return who(catalogue, id);
  }

  private WhoView who(Catalogue catalogue, String id) {
    Adapter adapter = new Adapter(catalogue);
    Movement m = catalogue.movement(id);
    LocalDate day = studios.today();
    Wording wording = new Wording(catalogue);
    List<WhoMay> people = new ArrayList<>();
    int asItIs = 0;
    int withChange = 0;
    for (Clients.Client c : clients.all()) {
      Situation s = days.of(c.id(), day).limitsAndKit();
      Performed form = adapter.open(id, s);
      List<String> why = new ArrayList<>();
      if (form == null) {
        why.addAll(Wording.broken(Broken.of(s.caps(), catalogue.variants(m).get(0).whole())));
        Set<riposo.core.movement.Kit> missing =
            adapter.missing(new Performed(riposo.core.limit.Side.BOTH, id, List.of(), 100), s);
        if (!missing.isEmpty()) {
          why.add(Wording.missing(missing, c.kit().unmeasured()));
        }
      } else if (form.modifiers().isEmpty()) {
        asItIs++;
      } else {
        withChange++;
      }
      people.add(
          new WhoMay(
              c.id(),
              c.name(),
              form != null,
              form == null || form.modifiers().isEmpty()
                  ? ""
                  : wording.performed(form).substring(m.name().length() + 2),
              why));
    }
    return new WhoView(
        List.of(),
        Soundness.doubts(m).stream().map(Wording::doubt).toList(),
        asItIs,
        withChange,
        people.size() - asItIs - withChange,
        people);
  }
}
