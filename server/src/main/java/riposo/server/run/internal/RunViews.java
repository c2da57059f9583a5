package riposo.server.run.internal;

import java.time.Instant;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import riposo.catalogue.EntryDocument;
import riposo.core.adapt.AdaptedPlan.WorkShare;
import riposo.core.adapt.SlotOption;
import riposo.core.dose.Dose;
import riposo.core.dose.WeightFinding;
import riposo.core.group.Called;
import riposo.core.limit.Side;
import riposo.core.movement.Modifier;
import riposo.core.movement.Movement;
import riposo.core.plan.Block;
import riposo.core.plan.Timeline;
import riposo.core.pulse.PulseGuide;
import riposo.core.run.AfterSymptom;
import riposo.core.run.Doing;
import riposo.core.run.Leaving;
import riposo.core.run.RunEvent;
import riposo.core.run.RunSheet;
import riposo.core.run.RunState;
import riposo.core.run.StopFor;
import riposo.core.run.StopSign;
import riposo.core.run.Symptom;
import riposo.core.today.TodayCheck;
import riposo.core.wording.DoseWords;
import riposo.core.wording.Wording;
import riposo.server.adapt.ProposalSource;
import riposo.server.client.Clients;
import riposo.server.movement.Movements;
import riposo.server.platform.Json;
import riposo.server.platform.Studios;
import riposo.server.screening.Readiness;

/** Runs as they are shown: the sentences made of the facts on file. */
@Component
class RunViews {
  /**
   * A run with where it stands, and all a device needs of it.
   *
   * @param stops every tap on the stop panel, earliest first
   * @param leftOpen it was ended because nothing was heard of it any more
   * @param symptoms the mild ones that have one tap
   * @param after what may be felt after it
   * @param group whose run it is, with its lanes; null where one person trains alone
   */
  record RunView(
      UUID id,
      long version,
      UUID planId,
      String planName,
      LocalDate date,
      Timeline timeline,
      @Nullable Integer beat,
      RunStateView state,
      @Nullable Integer minutes,
      boolean leftOpen,
      List<RunPersonView> people,
      List<StopView> stops,
      List<SymptomView> symptoms,
      List<AfterView> after,
      @Nullable RunGroupView group) {}

  /**
   * Something felt after it.
   *
   * @param advice what to do first; empty where there is nothing
   */
  record AfterView(AfterSymptom symptom, String words, String advice) {}

  /** A group on one clock. */
  record RunGroupView(UUID id, String name, List<RunLaneView> lanes) {}

  /** A lane: what is demonstrated in it, slot by slot. */
  record RunLaneView(String name, List<LaneShownView> shown) {}

  /**
   * What a lane shows in a slot.
   *
   * @param height of the posture, 0 lying to 5 on a step
   */
  record LaneShownView(
      String slotKey, @Nullable String movementId, String name, int height, List<String> cues) {}

  /** Somebody who left before the end and did not come back. */
  record AwayView(UUID person, Leaving why, String words) {}

  /**
   * A mild symptom.
   *
   * @param advice what to do first
   * @param askAgain seconds of rest before it is asked again
   */
  record SymptomView(Symptom symptom, String words, String advice, int askAgain) {}

  /** Where a run stands at this moment; milliseconds, times since 1970 UTC. */
  record RunStateView(
      RunState.Status status,
      long positionMs,
      long holdMs,
      @Nullable Long pausedAt,
      @Nullable Long startedAt,
      @Nullable Long endedAt,
      long activeMs,
      long skippedMs,
      List<KnownSet> entries,
      List<AwayView> away) {
    static RunStateView of(RunState s) {
      return new RunStateView(
          s.status(),
          s.positionMs(),
          s.holdMs(),
          s.pausedAt(),
          s.startedAt(),
          s.endedAt(),
          s.activeMs(),
          s.skippedMs(),
          s.entries().stream()
              .map(k -> new KnownSet(k.person(), EntryDocument.of(k.entry()), k.doing()))
              .toList(),
          s.away().entrySet().stream()
              .map(a -> new AwayView(a.getKey(), a.getValue(), a.getValue().words))
              .toList());
    }
  }

  /**
   * What is known of a set of a person.
   *
   * @param doing what was done in it, beside what the sheet asks
   */
  record KnownSet(UUID person, EntryDocument entry, Doing doing) {}

  /**
   * One person of a run.
   *
   * @param called what they are called among those of the run: told apart where names are alike
   * @param joinedAt when they came, ms since 1970 UTC, where the run had begun; null otherwise
   * @param breathlessCap greatest breathlessness permitted, 0 to 10; null when nothing caps it
   * @param painLine greatest pain that does not ease a movement; null in older runs
   * @param pulse the caps and scale of the pulse
   * @param sugarFirst glucose is read before muscles shaking is taken as harmless
   * @param signs the panel's signs in this client's order
   */
  record RunPersonView(
      UUID clientId,
      String name,
      String called,
      @Nullable Long joinedAt,
      @Nullable Integer effortCap,
      @Nullable Integer breathlessCap,
      @Nullable Integer painLine,
      RunPulse pulse,
      boolean sugarFirst,
      @Nullable WorkShare share,
      BeforeView before,
      @Nullable String reason,
      @Nullable Integer effortAfter,
      @Nullable String feel,
      @Nullable String note,
      @Nullable AfterSymptom symptom,
      List<RunSlotView> slots,
      List<SignView> signs) {}

  /**
   * What was asked and told before the start.
   *
   * @param dose how today cut the plan; null in runs from before it was asked
   * @param reasons why, with the professional's own where another dose was picked
   */
  record BeforeView(
      @Nullable UUID checkId,
      @Nullable Integer painBefore,
      TodayCheck.@Nullable Dose dose,
      List<String> cautions,
      List<String> reasons) {}

  /**
   * What a pulse is read against.
   *
   * @param resting null when not recorded: then there is no share of the reserve
   * @param cap greatest pulse permitted; null when nothing caps it
   */
  record RunPulse(
      int maximum, @Nullable Integer resting, @Nullable Integer cap, @Nullable String capSource) {
    static RunPulse of(PulseGuide g) {
      return new RunPulse(g.maximum(), g.resting(), g.cap(), g.capSource());
    }
  }

  /** Cautions and reasons as they are kept. */
  record Told(List<String> cautions, List<String> reasons) {}

  /**
   * A slot as this person does it.
   *
   * @param stages of a staged set, in words; empty elsewhere
   * @param stretch what fills the rests, in words; null where no stretch does
   * @param band which band and where it is gripped, in words; null where the plan asks for none
   * @param upper the option above what is asked, in words; null where there is none, or it is taken
   * @param tasks tasks of the day that what is done serves
   * @param options what else it may become, easier first; empty in older runs
   * @param lane of the group it is done with; null alone, and where none serves
   * @param out rounds sat out on the group's clock
   * @param share what is worked of each work + rest of the group's clock; null where all of it is
   * @param proposed what waits to be decided of it, with why; null where nothing does
   */
  record RunSlotView(
      String key,
      Block block,
      List<RunPartView> parts,
      List<RunOptionView> options,
      List<String> stages,
      @Nullable String stretch,
      @Nullable String band,
      @Nullable String upper,
      List<String> tasks,
      @Nullable Integer lane,
      List<Integer> out,
      @Nullable WorkShare share,
      @Nullable String proposed) {}

  /** Something else a slot may become. */
  record RunOptionView(String id, SlotOption.Kind kind, String title, List<RunPartView> parts) {}

  /**
   * What is done in a slot or on one side of it.
   *
   * @param title name and changes in one line
   * @param how the changes alone: "hand on support"
   * @param difficulty 0 to 100; null for rest, and in older runs
   * @param range percent of the full range
   * @param balance it asks for balance: touch-downs and grabs are counted
   * @param faults what commonly goes wrong with it
   * @param support what it may be held on to with, and is not: told where it was used
   * @param capLeft greatest weight in the left hand, grams; null where nothing limits it
   * @param finding how its weight is found in the first sets; null where it is known
   * @param weights every weight of the kit that can be held so, grams, lightest first, 0 for none
   */
  record RunPartView(
      Side side,
      @Nullable String movementId,
      @Nullable String familyId,
      String title,
      String name,
      List<String> how,
      @Nullable Integer difficulty,
      List<Modifier> modifiers,
      int range,
      boolean balance,
      List<String> cues,
      List<String> faults,
      List<SupportView> support,
      boolean breathe,
      Dose dose,
      String doseText,
      @Nullable Integer capLeft,
      @Nullable Integer capRight,
      @Nullable WeightFinding finding,
      List<Integer> weights) {}

  /** A support that can be used. */
  record SupportView(Modifier modifier, String words) {}

  /**
   * A sign of the stop panel as shown.
   *
   * @param place this client's own come first
   */
  record SignView(
      String id,
      String words,
      String aid,
      String source,
      StopSign.After after,
      StopSign.Place place) {}

  /** A STOP said to have been tapped in error: when, by whom, why. */
  record Withdrawn(LocalDate on, String by, String reason) {}

  /**
   * One tap on the stop panel.
   *
   * @param person whose; null for everybody of the run
   * @param at ms since 1970 UTC
   * @param time "10:32" in the studio's zone
   * @param aid what to do first, with its source
   * @param open it may still be withdrawn today
   */
  record StopView(
      UUID id,
      @Nullable UUID person,
      long at,
      String time,
      String words,
      StopSign.After after,
      String aid,
      String source,
      @Nullable Withdrawn withdrawn,
      boolean open) {}

  private final RunStore store;
  private final PersonStore people;
  private final WithdrawalStore withdrawals;
  private final RunLog log;
  private final Clients clients;
  private final Readiness readiness;
  private final Movements movements;
  private final Json json;
  private final Studios studios;
  private final ObjectProvider<ProposalSource> proposals;

  RunViews(
      RunStore store,
      PersonStore people,
      WithdrawalStore withdrawals,
      RunLog log,
      Clients clients,
      Readiness readiness,
      Movements movements,
      Json json,
      Studios studios,
      ObjectProvider<ProposalSource> proposals) {
    this.store = store;
    this.people = people;
    this.withdrawals = withdrawals;
    this.log = log;
    this.clients = clients;
    this.readiness = readiness;
    this.movements = movements;
    this.json = json;
    this.studios = studios;
    this.proposals = proposals;
  }

  @Transactional(readOnly = true)
  public RunView view(UUID id) {
    return view(store.require(id, "run"));
  }

  RunView view(RunRow run) {
    return view(run, null);
  }

  /**
   * The run as shown.
   *
   * @param only whose part alone; null for everybody's
   */
  RunView view(RunRow run, @Nullable UUID only) {
    RunSheet sheet = only == null ? run.sheet() : run.sheet().just(only);
    List<EventRow> rows =
        log.rows(run.id).stream()
            .filter(r -> only == null || r.personId == null || r.personId.equals(only))
            .toList();
    RunState state = log.state(sheet, rows.stream().map(RunLog::event).toList());
    List<WithdrawalRow> withdrawn = withdrawals.findByRunId(run.id);
    List<PersonRow> all = people.findByRunId(run.id);
    Map<UUID, String> names = new HashMap<>();
    sheet.ids().forEach(id -> names.put(id, clients.require(id).name()));
    Map<UUID, String> called = Called.of(names);
    return new RunView(
        run.id,
        run.version,
        run.planId,
        run.planName,
        run.onDate,
        sheet.timeline(),
        sheet.beat(),
        RunStateView.of(state),
        run.minutes,
        run.leftOpen,
        sheet.people().stream()
            .flatMap(
                p ->
                    all.stream()
                        .filter(row -> row.clientId.equals(p.id()))
                        .map(
                            row ->
                                person(
                                    p,
                                    row,
                                    called.getOrDefault(p.id(), ""),
                                    state.status().ended())))
            .toList(),
        state.stops().stream().map(s -> stop(s, rows, withdrawn)).toList(),
        Stream.of(Symptom.values())
            .map(s -> new SymptomView(s, s.words, s.advice, Symptom.ASK_AGAIN))
            .toList(),
        Stream.of(AfterSymptom.values()).map(s -> new AfterView(s, s.words, s.advice)).toList(),
        group(sheet.group()));
  }

  private @Nullable RunGroupView group(RunSheet.@Nullable Group g) {
    return g == null
        ? null
        : new RunGroupView(
            g.id(),
            g.name(),
            g.lanes().stream()
                .map(
                    l ->
                        new RunLaneView(
                            l.name(),
                            l.shown().entrySet().stream()
                                .sorted(Map.Entry.comparingByKey())
                                .map(e -> shown(e.getKey(), e.getValue()))
                                .toList()))
                .toList());
  }

  private LaneShownView shown(String key, RunSheet.Shown s) {
    String id = s.form().movementId();
    Movement m = id == null ? null : movements.catalogue().find(id).orElse(null);
    return new LaneShownView(
        key, id, Wording.name(s.form()), s.height(), m == null ? List.of() : m.cues());
  }

  private RunPersonView person(RunSheet.Person p, PersonRow row, String called, boolean over) {
    Clients.Client client = clients.require(p.id());
    Set<StopFor> own = readiness.of(p.id()).stopFor();
    Told told = json.read(row.told, Told.class);
    // said beside what is being done; afterwards the page of tolerance says it
    Map<String, ProposalSource.Proposal> proposed =
        over ? Map.of() : proposals.getObject().proposals(p.id());
    return new RunPersonView(
        p.id(),
        client.name(),
        called,
        p.joinedAt(),
        p.effortCap(),
        p.breathlessCap(),
        p.painLine(),
        RunPulse.of(readiness.pulse(p.id())),
        own.contains(StopFor.DIABETES),
        p.share(),
        new BeforeView(row.checkId, row.painBefore, row.dose, told.cautions(), told.reasons()),
        row.reason,
        row.effortAfter,
        row.feel,
        row.note,
        row.symptom,
        p.slots().stream().map(s -> slot(s, client, proposed)).toList(),
        StopSign.panel(own).stream()
            .map(
                s ->
                    new SignView(
                        s.name(), s.words, s.aid.words, s.aid.source, s.after, s.place(own)))
            .toList());
  }

  /** What waits to be decided of the family done in a slot; null where nothing does, and after. */
  private static @Nullable String proposed(
      RunSheet.Slot s, Map<String, ProposalSource.Proposal> proposed) {
    return s.block() != Block.WORK
        ? null
        : s.parts().stream()
            .map(p -> p.form().familyId())
            .filter(f -> f != null && proposed.containsKey(f))
            .map(proposed::get)
            .filter(p -> p != null && p.waits())
            .map(ProposalSource.Proposal::sentence)
            .findFirst()
            .orElse(null);
  }

  private RunSlotView slot(
      RunSheet.Slot s, Clients.Client client, Map<String, ProposalSource.Proposal> proposed) {
    RunSheet.Stretch stretch = s.stretch();
    RunSheet.Upper upper = s.upper();
    return new RunSlotView(
        s.key(),
        s.block(),
        parts(s.parts(), client),
        s.options().stream()
            .map(
                o ->
                    new RunOptionView(
                        o.id(),
                        o.kind(),
                        Wording.form(o.parts().get(0).form()),
                        parts(o.parts(), client)))
            .toList(),
        s.stages().stream().map(Wording::stage).toList(),
        stretch == null
            ? null
            : Wording.stretch(Wording.form(stretch.form()), stretch.seconds(), stretch.sides()),
        s.band() == null ? null : Wording.band(s.band()),
        upper == null || upper.taken() ? null : words(upper),
        s.parts().stream()
            .flatMap(p -> Stream.ofNullable(p.form().movementId()))
            .flatMap(id -> movements.catalogue().find(id).stream())
            .flatMap(m -> movements.catalogue().family(m.familyId()).tasks().stream())
            .map(t -> t.words)
            .distinct()
            .toList(),
        s.lane(),
        s.out().stream().sorted().toList(),
        s.share(),
        proposed(s, proposed));
  }

  private static String words(RunSheet.Upper u) {
    return u.form() != null
        ? Wording.form(u.form())
        : "the same with " + Wording.kg(u.grams() == null ? 0 : u.grams());
  }

  private List<RunPartView> parts(List<RunSheet.Part> parts, Clients.Client client) {
    return parts.stream().map(p -> part(p, client)).toList();
  }

  private RunPartView part(RunSheet.Part p, Clients.Client client) {
    String id = p.form().movementId();
    Movement m = id == null ? null : movements.catalogue().find(id).orElse(null);
    return new RunPartView(
        p.form().side(),
        id,
        p.form().familyId(),
        Wording.form(p.form()),
        Wording.name(p.form()),
        Wording.how(p.form()),
        p.form().difficulty(),
        p.form().modifiers(),
        p.form().range(),
        m != null && m.demands().unsteady(),
        m != null ? m.cues() : id == null ? List.of("Breathe low, long out") : List.of(),
        m != null ? m.faults() : List.of(),
        m == null
            ? List.of()
            : m.modifiers().stream()
                .filter(x -> x.holdsOn() && !p.form().modifiers().contains(x))
                .sorted()
                .map(x -> new SupportView(x, x.words))
                .toList(),
        m != null && m.demands().pressure() >= 1,
        p.dose(),
        DoseWords.dose(p.dose(), client.printed(), client.record().build()),
        p.capLeft(),
        p.capRight(),
        p.finding(),
        p.weights());
  }

  private StopView stop(RunEvent.Stop s, List<EventRow> rows, List<WithdrawalRow> withdrawn) {
    Withdrawn w =
        withdrawn.stream()
            .filter(x -> x.eventId.equals(s.id()))
            .findFirst()
            .map(x -> new Withdrawn(x.onDate, x.by, x.reason))
            .orElse(null);
    boolean open =
        w == null
            && rows.stream()
                .anyMatch(
                    r -> r.id.equals(s.id()) && studios.day(r.moment()).equals(studios.today()));
    return new StopView(
        s.id(),
        s.person(),
        s.at(),
        studios.time(Instant.ofEpochMilli(s.at())),
        s.words(),
        s.after(),
        s.sign().aid.words,
        s.sign().aid.source,
        w,
        open);
  }

  /** What the signs of these runs left behind, less what was withdrawn as tapped in error. */
  static Set<StopSign.After> standing(List<EventRow> stops, Set<UUID> withdrawn) {
    return stops.stream()
        .filter(r -> !withdrawn.contains(r.id))
        .map(r -> ((RunEvent.Stop) RunLog.event(r)).after())
        .collect(Collectors.toUnmodifiableSet());
  }
}
