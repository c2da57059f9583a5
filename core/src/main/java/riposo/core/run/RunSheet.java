package riposo.core.run;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import riposo.core.adapt.AdaptedPlan.WorkShare;
import riposo.core.adapt.BandGrip;
import riposo.core.adapt.RestStretch;
import riposo.core.adapt.SlotOption;
import riposo.core.dose.Dose;
import riposo.core.dose.WeightFinding;
import riposo.core.limit.Side;
import riposo.core.movement.Modifier;
import riposo.core.plan.Block;
import riposo.core.plan.Segment;
import riposo.core.plan.Stage;
import riposo.core.plan.Timeline;

/**
 * What a run was started with: who, and for each of them what is performed in every slot, how much
 * of it, up to which caps, and what else is permitted. Facts only; sentences are made of them when
 * they are shown. It never changes once the run is started.
 *
 * @param timeline the clock everybody shares
 * @param beat beats a minute, locked in the run; null for none
 * @param people at least one
 * @param group whose run it is; null where one person trains alone
 */
public record RunSheet(
    UUID planId,
    String planName,
    LocalDate date,
    Timeline timeline,
    @Nullable Integer beat,
    List<Person> people,
    @Nullable Group group) {
  public RunSheet {
    people = List.copyOf(people);
    if (people.isEmpty()) {
      throw new IllegalArgumentException("a run is for somebody");
    }
  }

  /** The sheet of one person, or of a run kept of before. */
  public RunSheet(
      UUID planId,
      String planName,
      LocalDate date,
      Timeline timeline,
      @Nullable Integer beat,
      List<Person> people) {
    this(planId, planName, date, timeline, beat, people, null);
  }

  /**
   * A group on one clock.
   *
   * @param lanes what is shown, as many as the group has
   */
  public record Group(UUID id, String name, List<Lane> lanes) {
    public Group {
      lanes = List.copyOf(lanes);
    }
  }

  /**
   * A lane: what is demonstrated in it.
   *
   * @param shown by slot key; a slot without one shows nothing of its own in this lane
   */
  public record Lane(String name, Map<String, Shown> shown) {
    public Lane {
      shown = Map.copyOf(shown);
    }
  }

  /**
   * What a lane shows in a slot.
   *
   * @param height of the posture, 0 lying to 5 on a step
   */
  public record Shown(Form form, int height) {}

  /**
   * One person of the run.
   *
   * @param id of the client
   * @param effortCap greatest effort permitted, 0 to 10; null when nothing caps it
   * @param breathlessCap greatest breathlessness permitted, 0 to 10; null when nothing caps it
   * @param painLine greatest pain that does not ease a movement, 0 to 10; null in older runs
   * @param share what this person works of each interval; null when the cap changes nothing
   * @param joinedAt when they came, ms since 1970 UTC, where the run had begun; null otherwise
   */
  public record Person(
      UUID id,
      @Nullable Integer effortCap,
      @Nullable Integer breathlessCap,
      @Nullable Integer painLine,
      @Nullable WorkShare share,
      List<Slot> slots,
      @Nullable Long joinedAt) {
    public Person {
      slots = List.copyOf(slots);
    }

    /** Who is there from the start. */
    public Person(
        UUID id,
        @Nullable Integer effortCap,
        @Nullable Integer breathlessCap,
        @Nullable Integer painLine,
        @Nullable WorkShare share,
        List<Slot> slots) {
      this(id, effortCap, breathlessCap, painLine, share, slots, null);
    }

    /** The same, having come at that time. */
    public Person joined(long at) {
      return new Person(id, effortCap, breathlessCap, painLine, share, slots, at);
    }

    public Optional<Slot> slot(String key) {
      return slots.stream().filter(s -> s.key().equals(key)).findFirst();
    }
  }

  /**
   * A slot as this person does it.
   *
   * @param askedId the movement the plan asked for
   * @param parts one for both sides, or one a side; at least one
   * @param pinned the professional chose it
   * @param closers the limits that close the movement asked for
   * @param permitted what else was open, of older runs, which have no options; empty since
   * @param options what else it may become, easier first, the nearest first of each kind; empty in
   *     older runs
   * @param stages of a staged set; empty elsewhere
   * @param stretch what fills the rests; null where no stretch does
   * @param upper the option above what is asked; null where there is none for this person
   * @param band which band and where it is gripped; null where the plan asks for none
   * @param lane the group's lane it is done with; null where there is none, or none serves
   * @param out rounds this person sits out on the group's clock; empty elsewhere
   * @param share what is worked of each work + rest of the group's clock; null where all of it is
   */
  public record Slot(
      String key,
      Block block,
      String askedId,
      List<Part> parts,
      boolean pinned,
      Set<UUID> closers,
      List<Choice> permitted,
      List<Option> options,
      List<Stage> stages,
      @Nullable Stretch stretch,
      @Nullable Upper upper,
      @Nullable BandGrip band,
      @Nullable Integer lane,
      Set<Integer> out,
      @Nullable WorkShare share) {
    @SuppressWarnings("ConstantValue") // a run kept of before has no options
    public Slot {
      out = out == null ? Set.of() : Set.copyOf(out);
      parts = List.copyOf(parts);
      closers = Set.copyOf(closers);
      permitted = permitted == null ? List.of() : List.copyOf(permitted);
      options = options == null ? List.of() : List.copyOf(options);
      stages = List.copyOf(stages);
      if (parts.isEmpty()) {
        throw new IllegalArgumentException("slot " + key + " has nothing to do");
      }
    }

    /** A slot on a clock of its own. */
    public Slot(
        String key,
        Block block,
        String askedId,
        List<Part> parts,
        boolean pinned,
        Set<UUID> closers,
        List<Choice> permitted,
        List<Option> options,
        List<Stage> stages,
        @Nullable Stretch stretch,
        @Nullable Upper upper,
        @Nullable BandGrip band) {
      this(
          key, block, askedId, parts, pinned, closers, permitted, options, stages, stretch, upper,
          band, null, Set.of(), null);
    }

    /** The same on a group's clock. */
    public Slot shared(@Nullable Integer inLane, Set<Integer> sitsOut, @Nullable WorkShare works) {
      return new Slot(
          key, block, askedId, parts, pinned, closers, permitted, options, stages, stretch, upper,
          band, inLane, sitsOut, works);
    }

    /** How hard what is done is, 0 to 100: the hardest of its parts; 0 where it is not known. */
    public int hardness(@Nullable String optionId) {
      return option(optionId).map(Option::parts).orElse(parts).stream()
          .map(p -> p.form().difficulty())
          .filter(d -> d != null)
          .mapToInt(Integer::intValue)
          .max()
          .orElse(0);
    }

    /** What the sheet asks on that side: its own part, else the one for both, else the first. */
    public Part part(Side side) {
      return part(parts, side);
    }

    /** What is done on that side once the slot is done otherwise; where it is left, what was. */
    public Part part(Doing doing, Side side) {
      return part(option(doing.option()).map(Option::parts).orElse(parts), side);
    }

    public Optional<Option> option(@Nullable String id) {
      return options.stream().filter(o -> o.id().equals(id)).findFirst();
    }

    private static Part part(List<Part> parts, Side side) {
      return parts.stream()
          .filter(p -> p.form().side() == side || p.form().side() == Side.BOTH)
          .findFirst()
          .orElse(parts.get(0));
    }
  }

  /**
   * A stretch that fills the rests of a slot.
   *
   * @param seconds how long, on each side it is done on
   */
  public record Stretch(Form form, int seconds, RestStretch.Sided sides) {}

  /**
   * An option above what is asked that was open to this person at the start.
   *
   * @param form what it is; null where it is the same with more weight
   * @param grams as printed; null where it is another form
   * @param taken it is what is done
   */
  public record Upper(@Nullable Form form, @Nullable Integer grams, boolean taken) {}

  /**
   * A movement as it is done.
   *
   * @param movementId null for rest and breathe
   * @param familyId of the movement, as it was at the start; null for rest
   * @param name of the movement, as it was at the start; null for rest
   * @param difficulty 0 to 100, as it was at the start; null for rest and in older runs
   * @param range percent of the full range
   */
  public record Form(
      Side side,
      @Nullable String movementId,
      @Nullable String familyId,
      @Nullable String name,
      @Nullable Integer difficulty,
      List<Modifier> modifiers,
      int range) {
    public Form {
      modifiers = List.copyOf(modifiers);
    }
  }

  /**
   * What is done in a slot or on one side of it, and how much.
   *
   * @param capLeft greatest weight in the left hand in grams; null where none is taken or nothing
   *     limits it, and in older runs
   * @param capRight greatest weight in the right hand in grams, as above
   * @param finding how its weight is found in the first sets; null where it is known, or none is
   *     taken
   * @param weights every weight of the kit that can be held so, in grams, lightest first, 0 for
   *     none; above the dose and the caps as well, for what was done is told as it was. Empty where
   *     none is taken, and in older runs
   */
  public record Part(
      Form form,
      Dose dose,
      @Nullable Integer capLeft,
      @Nullable Integer capRight,
      @Nullable WeightFinding finding,
      List<Integer> weights) {
    @SuppressWarnings("ConstantValue") // a run kept of before has none
    public Part {
      weights = weights == null ? List.of() : List.copyOf(weights);
    }

    /** Whether more was held than the caps leave; what is done on one side is that hand's. */
    public boolean over(Side side, Entry.Work work) {
      return Stream.concat(
              Stream.ofNullable(work.hands()),
              work.parts().stream().flatMap(p -> Stream.ofNullable(p.hands())))
          .anyMatch(
              h ->
                  side != Side.RIGHT && over(h.left(), capLeft)
                      || side != Side.LEFT && over(h.right(), capRight));
    }

    /**
     * Whether such a weight may be taken: where one is, and never over a cap, on neither side it
     * would be held.
     */
    public boolean permits(Side side, int grams) {
      return dose.grams() != null
          && !(side != Side.RIGHT && over(grams, capLeft)
              || side != Side.LEFT && over(grams, capRight));
    }

    private static boolean over(int grams, @Nullable Integer cap) {
      return cap != null && grams > cap;
    }
  }

  /** Something else that was open at the start of an older run. */
  public record Choice(List<Form> forms) {
    public Choice {
      forms = List.copyOf(forms);
      if (forms.isEmpty()) {
        throw new IllegalArgumentException("a choice has at least one form");
      }
    }
  }

  /**
   * Something else a slot may become.
   *
   * @param id unique in its slot
   * @param kind beside what the sheet asks
   * @param parts one for both sides, or one a side
   */
  public record Option(String id, SlotOption.Kind kind, List<Part> parts) {
    public Option {
      parts = List.copyOf(parts);
      if (parts.isEmpty()) {
        throw new IllegalArgumentException("option " + id + " has nothing to do");
      }
    }
  }

  /** Everybody of the run, in the order of the sheet. */
  public Set<UUID> ids() {
    return people.stream().map(Person::id).collect(Collectors.toCollection(LinkedHashSet::new));
  }

  public Optional<Person> person(UUID id) {
    return people.stream().filter(p -> p.id().equals(id)).findFirst();
  }

  /** The pain line of everybody who has one. */
  public Map<UUID, Integer> painLines() {
    Map<UUID, Integer> lines = new HashMap<>();
    for (Person p : people) {
      if (p.painLine() != null) {
        lines.put(p.id(), p.painLine());
      }
    }
    return lines;
  }

  /** How hard every option of every slot is. */
  public Changes.Hardness hardness() {
    return (who, slotKey, option) ->
        person(who).flatMap(p -> p.slot(slotKey)).map(s -> s.hardness(option)).orElse(0);
  }

  /** The same with somebody who comes while it runs. */
  public RunSheet with(Person newcomer) {
    List<Person> all = new ArrayList<>(people);
    all.add(newcomer);
    return new RunSheet(planId, planName, date, timeline, beat, all, group);
  }

  /** The same with one of several people alone: nobody else's business. */
  public RunSheet just(UUID id) {
    return new RunSheet(
        planId,
        planName,
        date,
        timeline,
        beat,
        people.stream().filter(p -> p.id().equals(id)).toList(),
        group);
  }

  /** The same without one of several people. */
  public RunSheet without(UUID id) {
    return new RunSheet(
        planId,
        planName,
        date,
        timeline,
        beat,
        people.stream().filter(p -> !p.id().equals(id)).toList(),
        group);
  }

  /** The run's only person; empty where there are several. */
  public Optional<Person> only() {
    return people.size() == 1 ? Optional.of(people.get(0)) : Optional.empty();
  }

  /**
   * Why an entry cannot be of this run, as a sentence: nobody of it, no such slot, a side the slot
   * is not done on. Null when it can.
   */
  public @Nullable String refuses(UUID who, Entry e) {
    Person p = person(who).orElse(null);
    if (p == null) {
      return "This person is not in the run.";
    }
    Slot slot = p.slot(e.slotKey()).orElse(null);
    if (slot == null) {
      return "This run has no such slot.";
    }
    boolean timed =
        timeline.segments().stream().anyMatch(g -> worksOn(g, slot.key()) && g.side() == e.side());
    boolean own = slot.parts().stream().anyMatch(x -> x.form().side() == e.side());
    return timed || own ? null : "This set is not done on that side.";
  }

  /**
   * Why a change cannot be of this run, as a sentence: nobody of it, no such slot or option, a
   * weight over the caps. Null when it can.
   */
  public @Nullable String refuses(UUID who, Change c) {
    Person p = person(who).orElse(null);
    if (p == null) {
      return "This person is not in the run.";
    }
    Slot slot = p.slot(c.slotKey()).orElse(null);
    if (slot == null) {
      return "This run has no such slot.";
    }
    if (c.option() != null && slot.option(c.option()).isEmpty()) {
      return "This slot has no such option.";
    }
    Integer grams = c.grams();
    boolean over =
        grams != null
            && slot.option(c.option()).map(Option::parts).orElse(slot.parts()).stream()
                .filter(x -> concerns(x.form().side(), c.side()))
                .anyMatch(x -> !x.permits(c.side(), grams));
    return over ? "This weight is over what the limits leave." : null;
  }

  private static boolean concerns(Side part, Side side) {
    return side == Side.BOTH || part == Side.BOTH || part == side;
  }

  private static boolean worksOn(Segment g, String slotKey) {
    return g.kind() == Segment.Kind.WORK && g.slotKey().equals(slotKey);
  }

  /**
   * The sets of the work blocks, each entry joined with what was asked of it; an entry of a rest,
   * or of a slot the sheet does not have, is left out.
   */
  public List<DoneSet> sets(RunState state) {
    return state.entries().stream().flatMap(k -> set(k).stream()).toList();
  }

  private Optional<DoneSet> set(RunState.Known k) {
    return person(k.person())
        .flatMap(p -> p.slot(k.entry().slotKey()))
        .filter(s -> s.block() == Block.WORK)
        .flatMap(s -> DoneSet.of(k.person(), s, k.entry(), k.doing()));
  }
}
