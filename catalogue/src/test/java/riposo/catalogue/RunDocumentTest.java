package riposo.catalogue;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import riposo.core.adapt.AdaptedPlan;
import riposo.core.adapt.Adapter;
import riposo.core.adapt.ClientDay;
import riposo.core.adapt.Kitbag;
import riposo.core.adapt.PlanAdapter;
import riposo.core.dose.Weight;
import riposo.core.dose.WeightFinding;
import riposo.core.limit.Caps;
import riposo.core.limit.Side;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Kit;
import riposo.core.movement.Modifier;
import riposo.core.plan.Block;
import riposo.core.plan.Mobility;
import riposo.core.plan.SessionPlan;
import riposo.core.quantity.Effort;
import riposo.core.quantity.Pain;
import riposo.core.quantity.Pulse;
import riposo.core.run.Change;
import riposo.core.run.DoneSet;
import riposo.core.run.Entry;
import riposo.core.run.Leaving;
import riposo.core.run.RunEvent;
import riposo.core.run.RunSheet;
import riposo.core.run.RunSheets;
import riposo.core.run.RunState;
import riposo.core.run.Stamp;
import riposo.core.run.StopSign;
import riposo.core.run.Symptom;
import riposo.core.wording.DoseWords;
import riposo.core.wording.Wording;
import tools.jackson.databind.JsonNode;

/** The open document of a run, and what older versions stored of one. */
class RunDocumentTest {
  private static final Path OLD = Path.of("src/test/resources/runs/old");
  private static final Catalogue CATALOGUE = CatalogueReader.shipped();
  private static final Adapter ADAPTER = new Adapter(CATALOGUE);
  private static final LocalDate DAY = LocalDate.of(2026, 11, 26);
  private static final UUID WHO = UUID.randomUUID();

  static Stream<String> names() throws IOException {
    try (Stream<Path> files = Files.list(OLD)) {
      return files
          .map(f -> f.getFileName().toString().replace(".json", ""))
          .sorted()
          .toList()
          .stream();
    }
  }

  private static JsonNode stored(String name) throws IOException {
    return RunDocument.JSON.readTree(Files.readString(OLD.resolve(name + ".json")));
  }

  private static OldRun old(JsonNode stored) {
    return OldRun.read(
        stored.path("adapted").toString(),
        stored.path("today").toString(),
        WHO,
        UUID.randomUUID(),
        stored.path("planName").asString(),
        LocalDate.parse(stored.path("adapted").path("date").asString()));
  }

  private static List<RunEvent> events(JsonNode stored) {
    List<RunEvent> all = new ArrayList<>();
    for (JsonNode e : stored.path("events")) {
      EventDocument d = RunDocument.JSON.treeToValue(e, EventDocument.class);
      all.add(
          new EventDocument(
                  d.id() == null ? UUID.randomUUID() : d.id(),
                  d.at(),
                  d.seq(),
                  d.kind(),
                  d.segment(),
                  d.seconds(),
                  d.entry(),
                  d.text(),
                  d.sign(),
                  d.device(),
                  d.person(),
                  d.deviceAt(),
                  d.change(),
                  d.unwell(),
                  d.pulse(),
                  d.why())
              .toEvent(WHO));
    }
    return all;
  }

  /**
   * A share of body weight was written "0.88 bw" then, a count bare; the number itself is held
   * exactly below.
   */
  private static String inTodaysWords(String dose, int hands) {
    return Pattern.compile("(\\d\\.\\d+) bw")
        .matcher(dose)
        .replaceAll(m -> Wording.share(Double.parseDouble(m.group(1))))
        .replace(" · ", ", ")
        .replaceFirst("(× (?:\\d+ s, about )?\\d+)(?=,|$| each side)", "$1 reps")
        .replaceFirst(", band$", ", with the band")
        .replaceFirst("kg( each)?$", hands == 2 ? "kg in each hand" : "kg in one hand");
  }

  /** Every fact of the picture that was stored is in the sheet, and the sentences come back. */
  @ParameterizedTest(name = "{0}")
  @MethodSource("names")
  void whatAnOlderRunStoredIsReadFactByFact(String name) throws IOException {
    JsonNode stored = stored(name);
    JsonNode a = stored.path("adapted");
    OldRun run = old(stored);
    RunSheet.Person p = run.sheet().people().get(0);

    assertThat(RunDocument.JSON.<JsonNode>valueToTree(run.sheet().timeline()))
        .isEqualTo(a.path("timeline"));
    assertThat(p.effortCap() == null).isEqualTo(!a.hasNonNull("effortCap"));
    assertThat(p.slots()).hasSize(a.path("slots").size());
    for (int i = 0; i < p.slots().size(); i++) {
      RunSheet.Slot slot = p.slots().get(i);
      JsonNode s = a.path("slots").path(i);
      assertThat(slot.key()).isEqualTo(s.path("key").asString());
      assertThat(slot.askedId()).isEqualTo(s.path("askedId").asString());
      assertThat(slot.pinned()).isEqualTo(s.path("pinned").asBoolean());
      assertThat(slot.closers()).hasSize(s.path("closers").size());
      assertThat(slot.permitted()).hasSize(s.path("next").size());
      assertThat(slot.stages().stream().map(Wording::stage))
          .isEqualTo(s.path("stages").valueStream().map(JsonNode::asString).toList());
      assertThat(slot.parts()).hasSize(s.path("parts").size());
      for (int k = 0; k < slot.parts().size(); k++) {
        RunSheet.Part part = slot.parts().get(k);
        JsonNode was = s.path("parts").path(k);
        assertThat(Wording.form(part.form())).isEqualTo(was.path("title").asString());
        assertThat(DoseWords.dose(part.dose()))
            .isEqualTo(inTodaysWords(was.path("doseText").asString(), part.dose().hands()));
        assertThat(RunDocument.JSON.<JsonNode>valueToTree(part.dose())).isEqualTo(was.path("dose"));
        assertThat(part.form().movementId())
            .isEqualTo(was.path("movementId").asStringOpt().orElse(null));
        assertThat(part.form().familyId())
            .isEqualTo(was.path("familyId").asStringOpt().orElse(null));
      }
    }
    // and what comes to of it is what it came to then
    JsonNode state = stored.path("state");
    RunState s =
        RunState.fold(
            run.sheet().timeline().segments(),
            run.sheet().ids(),
            events(stored),
            1_900_000_000_000L);
    assertThat(s.status().name()).isEqualTo(state.path("status").asString());
    assertThat(
            RunDocument.JSON.<JsonNode>valueToTree(
                s.entries().stream().map(k -> EntryDocument.of(k.entry())).toList()))
        .isEqualTo(state.path("entries"));
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("names")
  void anOlderRunBecomesADocumentThatReadsTheSame(String name) throws IOException {
    JsonNode stored = stored(name);
    RunDocument d = new RunDocument(old(stored).sheet(), events(stored));
    assertThat(RunDocument.read(d.write())).isEqualTo(d);
    assertThat(RunDocument.sheet(RunDocument.write(d.sheet()))).isEqualTo(d.sheet());
  }

  /** In what older runs stored a number that is not there is unknown, and 0 is 0. */
  @ParameterizedTest
  @CsvSource({
    "'{}', , ,",
    "'{\"painBefore\":0}', 0, ,",
    "'{\"painBefore\":null,\"dose\":null,\"checkId\":null}', , ,",
    "'{\"painBefore\":3,\"dose\":\"EASED\"}', 3, EASED,",
    "'{\"checkId\":\"00000000-0000-0000-0000-000000000007\"}', , , 00000000-0000-0000-0000-000000000007"
  })
  void aMissingNumberIsToldFromZero(String today, Integer pain, String dose, UUID check) {
    OldRun run = OldRun.read("{}", today, WHO, WHO, "P", DAY);
    assertThat(run.painBefore()).isEqualTo(pain);
    assertThat(run.dose() == null ? null : run.dose().name()).isEqualTo(dose);
    assertThat(run.checkId()).isEqualTo(check);
    assertThat(run.sheet().people().get(0).effortCap()).isNull();
    assertThat(OldRun.read("{\"effortCap\":0}", "{}", WHO, WHO, "P", DAY).sheet().people().get(0))
        .extracting(RunSheet.Person::effortCap)
        .isEqualTo(0);
  }

  @Test
  void ofAnEntryToo() {
    String head = "{\"slotKey\":\"s1\",\"round\":1,\"side\":\"BOTH\"";
    Entry none = RunDocument.JSON.readValue(head + "}", EntryDocument.class).toEntry();
    Entry zero =
        RunDocument.JSON
            .readValue(
                head + ",\"effort\":0,\"pain\":0,\"reps\":0,\"grams\":0}", EntryDocument.class)
            .toEntry();
    assertThat(none).isEqualTo(Entry.of("s1", 1, Side.BOTH));
    assertThat(zero)
        .isEqualTo(Entry.of("s1", 1, Side.BOTH).effort(0).pain(0, null).reps(0).grams(0));
  }

  /** Sheets of the shipped plans, for one and for two, with every kind of event and of entry. */
  @Test
  void everySheetAndEventIsReadAsItWasWritten() {
    Random random = new Random(7);
    RandomLimits limits = new RandomLimits(7);
    Kitbag kit = new Kitbag(EnumSet.allOf(Kit.class), List.of(new Weight(2000, 2)));
    int finding = 0;
    int options = 0;
    Set<EventDocument.Kind> seen = EnumSet.noneOf(EventDocument.Kind.class);
    for (PlanDocument shipped : PlanDocument.shipped(CATALOGUE)) {
      SessionPlan plan = shipped.plan();
      Caps caps = Caps.on(DAY, limits.some());
      PlanAdapter plans = new PlanAdapter(ADAPTER);
      ClientDay day = plans.day(WHO, caps, kit, Map.of(), Mobility.USUAL);
      RunSheet one =
          new RunSheets(CATALOGUE, ADAPTER)
              .one(
                  UUID.randomUUID(),
                  shipped.name(),
                  plan,
                  plans.adapt(plan, day, Map.of()),
                  day,
                  6,
                  3);
      List<RunSheet.Person> both = new ArrayList<>(one.people());
      List<RunSheet.Slot> shared =
          both.get(0).slots().stream()
              .map(s -> s.shared(1, Set.of(2, 4), new AdaptedPlan.WorkShare(20, 60)))
              .toList();
      both.add(new RunSheet.Person(UUID.randomUUID(), 5, 4, 3, null, shared).joined(90_000L));
      RunSheet.Form form = shared.get(0).parts().get(0).form();
      RunSheet.Lane lane =
          new RunSheet.Lane("Chair", Map.of(shared.get(0).key(), new RunSheet.Shown(form, 2)));
      RunSheet.Group group = new RunSheet.Group(UUID.randomUUID(), "Steady", List.of(lane, lane));
      RunSheet two =
          new RunSheet(one.planId(), one.planName(), DAY, one.timeline(), one.beat(), both, group);
      List<RunEvent> events = new ArrayList<>();
      for (int i = 0; i < 40; i++) {
        RunEvent e = event(random, two);
        seen.add(EventDocument.kind(e));
        events.add(e);
      }
      RunDocument d = new RunDocument(two, events);
      assertThat(RunDocument.read(d.write())).isEqualTo(d);
      finding += assertOlderFindingIsRead(d);
      for (RunEvent e : events) {
        assertThat(RunDocument.event(RunDocument.write(e), null)).isEqualTo(e);
      }
      RunState state = RunState.fold(two.timeline().segments(), two.ids(), events, 1);
      List<DoneSet> sets = two.sets(state);
      assertThat(RunDocument.sets(sets.stream().map(RunDocument::write).toList())).isEqualTo(sets);
      for (RunSheet.Slot s : one.people().get(0).slots()) {
        assertThat(s.permitted()).isEmpty();
        options += s.options().size();
        assertThat(s.options().stream().map(RunSheet.Option::id)).doesNotHaveDuplicates();
      }
    }
    assertThat(seen).containsExactlyInAnyOrder(EventDocument.Kind.values());
    assertThat(finding).isGreaterThan(5);
    assertThat(options).isGreaterThan(100);
  }

  /**
   * Runs of before told one step from the weight begun with: read, its sets still find, no more.
   */
  private static int assertOlderFindingIsRead(RunDocument d) {
    String older = d.write().replaceAll("\"steps\":\\[[^\\]]*\\]", "\"up\":2000,\"down\":0");
    List<WeightFinding> now = findings(d);
    assertThat(findings(RunDocument.read(older)))
        .isEqualTo(
            now.stream()
                .map(f -> new WeightFinding(f.easy(), f.hard(), f.sets(), List.of()))
                .toList());
    return now.size();
  }

  private static List<WeightFinding> findings(RunDocument d) {
    return d.sheet().people().stream()
        .flatMap(p -> p.slots().stream())
        .flatMap(s -> s.parts().stream())
        .flatMap(p -> Stream.ofNullable(p.finding()))
        .toList();
  }

  private static RunEvent event(Random r, RunSheet sheet) {
    Long told = r.nextInt(4) == 0 ? (Long) 77L : null;
    Stamp s =
        new Stamp(
            new UUID(r.nextLong(), r.nextLong()),
            "d" + r.nextInt(2),
            r.nextInt(),
            r.nextInt(9),
            told);
    UUID who = sheet.people().get(r.nextInt(sheet.people().size())).id();
    return switch (r.nextInt(14)) {
      case 0 -> new RunEvent.Start(s);
      case 1 -> new RunEvent.Pause(s);
      case 2 -> new RunEvent.Resume(s);
      case 3 -> new RunEvent.GoTo(s, r.nextInt(9));
      case 4 -> new RunEvent.Extend(s, 1 + r.nextInt(600));
      case 5 -> new RunEvent.Finish(s);
      case 6 -> {
        StopSign sign = StopSign.values()[r.nextInt(StopSign.values().length)];
        yield new RunEvent.Stop(s, r.nextBoolean() ? who : null, sign, sign.words, true);
      }
      case 7 -> new RunEvent.Changed(s, who, change(r));
      case 12 -> new RunEvent.Away(s, who, r.nextBoolean() ? Leaving.values()[r.nextInt(5)] : null);
      case 13 -> new RunEvent.Joined(s, who);
      case 8 ->
          new RunEvent.Unwell(
              s,
              who,
              Symptom.values()[r.nextInt(3)],
              Symptom.How.values()[r.nextInt(5)],
              new Symptom.Reading(
                  r.nextBoolean() ? new Pulse(88) : null, 120, 70, r.nextBoolean() ? 61 : null));
      case 9 ->
          new RunEvent.PulseRead(
              s,
              who,
              new Pulse(20 + r.nextInt(231)),
              RunEvent.PulseRead.From.values()[r.nextInt(3)],
              r.nextBoolean() ? (Integer) r.nextInt(3601) : null);
      default -> new RunEvent.Logged(s, who, entry(r, sheet));
    };
  }

  private static Change change(Random r) {
    Change.To to = Change.To.values()[r.nextInt(4)];
    return new Change(
        "s" + (1 + r.nextInt(3)),
        r.nextInt(4),
        Side.values()[r.nextInt(3)],
        to,
        to == Change.To.OPTION ? "o" + (1 + r.nextInt(3)) : null,
        to == Change.To.WEIGHT ? (Integer) 2000 : null,
        r.nextBoolean());
  }

  private static Entry entry(Random r, RunSheet sheet) {
    List<RunSheet.Slot> work =
        sheet.people().get(0).slots().stream().filter(x -> x.block() == Block.WORK).toList();
    Entry e =
        Entry.of(
            work.isEmpty() ? "s1" : work.get(r.nextInt(work.size())).key(),
            r.nextInt(5),
            Side.values()[r.nextInt(3)]);
    Entry.Hands hands = new Entry.Hands(r.nextInt(3) * 1000, r.nextInt(3) * 1000);
    Entry.Work done =
        r.nextBoolean()
            ? new Entry.Work(
                number(r, 30), number(r, 60), r.nextBoolean() ? hands : null, List.of())
            : new Entry.Work(
                null, null, null, List.of(new Entry.Part(number(r, 9), number(r, 9), hands)));
    return e.work(done)
        .strain(
            new Entry.Strain(
                effort(r), effort(r), r.nextBoolean() ? Entry.Talk.values()[r.nextInt(3)] : null))
        .hurt(new Entry.Hurt(pain(r), pain(r), pain(r), pain(r), text(r), text(r)))
        .form(
            new Entry.Form(
                r.nextBoolean() ? (Boolean) r.nextBoolean() : null,
                text(r),
                r.nextBoolean() ? Set.of(Modifier.HOLD_ON) : null,
                number(r, 5),
                number(r, 5)))
        .telling(
            new Entry.Telling(
                text(r),
                text(r),
                r.nextBoolean() ? new UUID(r.nextLong(), r.nextLong()) : null,
                text(r),
                r.nextInt(9) == 0));
  }

  private static Integer number(Random r, int most) {
    return r.nextBoolean() ? (Integer) r.nextInt(most) : null;
  }

  private static Effort effort(Random r) {
    return r.nextBoolean() ? new Effort(r.nextInt(11)) : null;
  }

  private static Pain pain(Random r) {
    return r.nextBoolean() ? new Pain(r.nextInt(11)) : null;
  }

  private static String text(Random r) {
    return r.nextBoolean() ? "words " + r.nextInt(9) : null;
  }

  /** What an event cannot be, and the sentence it is refused with. */
  @ParameterizedTest(name = "{0}")
  @CsvSource(
      delimiter = '|',
      value = {
        "{'kind':'START','at':1,'seq':0} | needs its id, kind and time",
        "{'id':'ID','at':1,'seq':0} | needs its id, kind and time",
        "{'id':'ID','kind':'START','seq':0} | needs its id, kind and time",
        "{'id':'ID','kind':'START','at':1,'seq':-1} | seq must not be below 0",
        "{'id':'ID','kind':'START','at':1,'seq':0,'device':''} | named by 1 to 40",
        "{'id':'ID','kind':'GOTO','at':1,'seq':0} | needs a target segment",
        "{'id':'ID','kind':'GOTO','at':1,'seq':0,'segment':-1} | segment must not be below 0",
        "{'id':'ID','kind':'EXTEND','at':1,'seq':0} | needs its seconds",
        "{'id':'ID','kind':'EXTEND','at':1,'seq':0,'seconds':601} | 1 to 600 s",
        "{'id':'ID','kind':'ENTRY','at':1,'seq':0,'person':'ID'} | needs its set",
        "{'id':'ID','kind':'ENTRY','at':1,'seq':0,'entry':{'slotKey':'s','round':1,'side':'BOTH'}} | needs its person",
        "{'id':'ID','kind':'ENTRY','at':1,'seq':0,'person':'ID','entry':{'round':1,'side':'BOTH'}} | names its slot",
        "{'id':'ID','kind':'ENTRY','at':1,'seq':0,'person':'ID','entry':{'slotKey':'s','round':1,'side':'BOTH','left':5}} | both are told",
        "{'id':'ID','kind':'ENTRY','at':1,'seq':0,'person':'ID','entry':{'slotKey':'s','round':1,'side':'BOTH','left':5,'right':5,'grams':5}} | hand by hand",
        "{'id':'ID','kind':'ENTRY','at':1,'seq':0,'person':'ID','entry':{'slotKey':'s','round':1,'side':'BOTH','pain':11}} | between 0 and 10",
        "{'id':'ID','kind':'ENTRY','at':1,'seq':0,'person':'ID','entry':{'slotKey':'s','round':1,'side':'BOTH','corrects':'ID'}} | does not correct itself"
      })
  void anEventThatCannotBeRightSaysWhy(String event, String sentence) {
    String text = event.replace('\'', '"').replace("ID", "00000000-0000-0000-0000-00000000000a");
    assertThatThrownBy(() -> RunDocument.event(text, null))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining(sentence);
  }

  @Test
  void aStopThatWasNamedByNothingButWordsIsAnEmergency() {
    String head = "{\"id\":\"" + WHO + "\",\"kind\":\"STOP\",\"at\":1,\"seq\":0";
    RunEvent.Stop words =
        (RunEvent.Stop)
            RunDocument.event(head + ",\"text\":\"" + StopSign.JOINT.words + "\"}", WHO);
    assertThat(words.sign()).isEqualTo(StopSign.JOINT);
    assertThat(words.after()).isEqualTo(StopSign.After.EMERGENCY);
    RunEvent.Stop named = (RunEvent.Stop) RunDocument.event(head + ",\"sign\":\"JOINT\"}", WHO);
    assertThat(named.after()).isEqualTo(StopSign.After.ASK_FIRST);
    assertThat(named.words()).isEqualTo(StopSign.JOINT.words);
    RunEvent.Stop unknown = (RunEvent.Stop) RunDocument.event(head + ",\"sign\":\"NEWER\"}", WHO);
    assertThat(List.of(unknown.sign(), unknown.words()))
        .isEqualTo(List.of(StopSign.OTHER, "NEWER"));
  }

  /** Each wrong document, and what of it is named. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "{ | line",
        "{\"document\":\"riposo-run/2\"} | /document",
        "{\"document\":\"riposo-run/1\"} | people"
      })
  void aDocumentThatCannotBeReadNamesWhatIsWrong(String text, String named) {
    assertThatThrownBy(() -> RunDocument.read(text))
        .isInstanceOfSatisfying(
            CatalogueException.class, e -> assertThat(e.toString() + e.problems()).contains(named));
  }
}
