package riposo.core.screening;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import riposo.core.limit.Axis;
import riposo.core.limit.Condition;
import riposo.core.limit.Proposal;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;

/**
 * Row by row: the answers, then what must be found. Dates are written T-84 (days), T-12m (months)
 * or due=24+3 (gestation); everything not said is answered no, and active.
 */
class ScreeningRulesTest {
  static final LocalDate TODAY = LocalDate.of(2027, 3, 10);

  /** Answers of a healthy, active client with those said. */
  static Map<String, String> answers(String said) {
    Map<String, String> a = new HashMap<>();
    for (Question q : Screening.questions()) {
      if (q.kind() == Question.Kind.YES_NO && q.showIf() == null) {
        a.put(q.id(), q.protective() ? "yes" : "no");
      }
    }
    for (String one : said.split(";")) {
      if (!one.isBlank()) {
        String[] kv = one.trim().split("=");
        a.put(kv[0], date(kv[1]));
      }
    }
    return a;
  }

  private static String date(String v) {
    if (v.matches("T[-+]\\d+m")) {
      return TODAY.plusMonths(Integer.parseInt(v.substring(1, v.length() - 1))).toString();
    }
    if (v.matches("T[-+]\\d+")) {
      return TODAY.plusDays(Integer.parseInt(v.substring(1))).toString();
    }
    if (v.matches("\\d+\\+\\d")) {
      int days =
          Integer.parseInt(v.substring(0, v.indexOf('+'))) * 7 + v.charAt(v.length() - 1) - '0';
      return TODAY.plusDays(280 - days).toString();
    }
    return v;
  }

  static Assessment assess(String said) {
    return Screening.assess(answers(said), TODAY);
  }

  @ParameterizedTest(name = "{0} -> {1} {2}")
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
      sign.chest=yes | standing.sign.chest | CLEARANCE_ONLY
      sign.breath=unsure | standing.sign.breath | CLEARANCE_ONLY
      sign.dizzy=yes | standing.sign.dizzy | CLEARANCE_ONLY
      sign.legs=yes | standing.sign.legs | CLEARANCE_ONLY
      sign.tired=yes | standing.sign.tired | CLEARANCE_ONLY
      sign.dizzy=yes;sign.dizzy.explained=yes | standing.sign.dizzy | -
      sign.dizzy=yes;sign.dizzy.explained=yes | standing.explained.dizzy | READY_WITH_LIMITS
      sign.dizzy=yes;sign.dizzy.explained=unsure | standing.sign.dizzy | CLEARANCE_ONLY
      sign.breath=yes;sign.breath.explained=yes | standing.explained.breath | READY_WITH_LIMITS
      sign.legs=yes;sign.legs.explained=yes | standing.explained.legs | READY_WITH_LIMITS
      sign.tired=yes;sign.tired.explained=no | standing.sign.tired | CLEARANCE_ONLY
      sign.chest=yes;sign.chest.explained=yes | standing.sign.chest | CLEARANCE_ONLY
      sign.sudden=yes | today.sign.sudden | URGENT
      sign.sudden=yes | standing.sign.sudden | CLEARANCE_ONLY
      heart.ever=yes;heart.event=yes;heart.event.cleared=yes | standing.event.heart.event | CLEARANCE_ONLY
      heart.ever=yes;heart.event=yes;heart.event.date=T-12m;heart.event.cleared=yes | standing.event.heart.event | CLEARANCE_ONLY
      heart.ever=yes;heart.event=yes;heart.event.date=T-367;heart.event.cleared=yes | standing.event.heart.event | -
      heart.ever=yes;heart.event=yes;heart.event.date=T-367;heart.event.cleared=yes | standing.moderate | READY_WITH_LIMITS
      heart.ever=yes;heart.event=yes;heart.event.date=T-367;heart.event.cleared=no | standing.event.heart.event | CLEARANCE_ONLY
      heart.ever=yes;heart.event=yes;heart.event.date=T-367;heart.event.cleared=unsure | standing.event.heart.event | CLEARANCE_ONLY
      heart.ever=yes;stroke.tia=yes;stroke.date=T-100;stroke.cleared=yes | standing.event.stroke.tia | CLEARANCE_ONLY
      heart.ever=yes;stroke.tia=yes;stroke.date=T-3650;stroke.cleared=yes | standing.event.stroke.tia | -
      heart.ever=yes;clot=yes;clot.date=T-365;clot.cleared=yes | standing.event.clot | CLEARANCE_ONLY
      heart.ever=yes;clot=yes;clot.date=T-366;clot.cleared=yes | standing.event.clot | -
      heart.ever=yes;aneurysm=unsure | standing.event.aneurysm | CLEARANCE_ONLY
      heart.ever=yes;heart.event=yes;heart.device=defibrillator | standing.device-rate | CLEARANCE_ONLY
      heart.ever=yes;heart.event=yes;heart.device=defibrillator;heart.device.rate=170 | standing.device-rate | -
      heart.ever=yes;heart.rhythm=yes;heart.uncontrolled=yes | standing.heart-uncontrolled | ASK_FIRST
      heart.ever=yes;heart.failure=yes;heart.uncontrolled=no | standing.heart-uncontrolled | -
      heart.ever=yes;heart.valve=yes | standing.heart-valve | ASK_FIRST
      pressure.high=yes | standing.pressure.high | READY_WITH_LIMITS
      pressure.high=yes;pressure.uncontrolled=yes | standing.pressure-uncontrolled | ASK_FIRST
      lung.ever=yes | standing.lung.ever | READY_WITH_LIMITS
      lung.ever=yes;lung.flare=yes | standing.lung-flare | ASK_FIRST
      kidney.any=yes;kidney.dialysis=yes | standing.kidney-dialysis | ASK_FIRST
      operation.recent=yes | standing.operation | ASK_FIRST
      operation.recent=yes;operation.date=T-84 | standing.operation | ASK_FIRST
      operation.recent=yes;operation.date=T-85 | standing.operation | -
      bone.low=yes | standing.bone.low | READY_WITH_LIMITS
      bone.low=yes;bone.back=yes | standing.bone-back | ASK_FIRST
      medicine.any=yes;medicine.steroid=yes;bone.back=yes | standing.bone-back | ASK_FIRST
      birth.any=yes;birth.recent=yes;birth.date=T-42;birth.check=no | standing.birth | ASK_FIRST
      birth.any=yes;birth.recent=yes;birth.date=T-60;birth.check=unsure | standing.birth | ASK_FIRST
      birth.any=yes;birth.recent=yes;birth.date=T-60;birth.check=yes | standing.birth | -
      birth.any=yes;birth.recent=yes;birth.date=T-60;birth.check=yes | standing.after-birth | READY_WITH_LIMITS
      birth.any=yes;birth.recent=yes;birth.tear=yes | standing.birth-tear | ASK_FIRST
      cancer.any=yes;cancer.now=yes | standing.cancer-now | ASK_FIRST
      cancer.any=yes;cancer.bone=yes | standing.cancer-bone | ASK_FIRST
      cancer.any=yes;cancer.nodes=yes;cancer.assessed=no | standing.lymph | ASK_FIRST
      cancer.any=yes;cancer.nodes=yes;cancer.assessed=yes | standing.lymph | -
      cancer.any=yes;cancer.nodes=yes;cancer.assessed=yes | standing.cancer.nodes | READY_WITH_LIMITS
      senses.any=yes;eyes.retina=yes | standing.retina | ASK_FIRST
      energy.any=yes;unexplained=yes | standing.unexplained | ASK_FIRST
      nerve.any=yes;seizure=yes;seizure.open=yes | standing.seizure.open | ASK_FIRST
      nerve.any=yes;seizure=yes;seizure.open=no | standing.seizure.open | -
      nerve.any=yes;seizure=yes;seizure.open=no | standing.seizure | READY_WITH_LIMITS
      falls.any=yes;falls.blackout=yes | standing.falls-blackout | ASK_FIRST
      falls.any=yes;falls.two=yes | standing.falls | READY_WITH_LIMITS
      falls.any=yes;unsteady=yes | standing.unsteady | READY_WITH_LIMITS
      falls.any=yes;unsteady=yes | standing.falls | -
      falls.any=yes;light.headed=yes | standing.light-headed | READY_WITH_LIMITS
      nerve.any=yes;nerve.autonomic=yes | standing.light-headed | READY_WITH_LIMITS
      bone.low=yes;bone.vertebra=yes | standing.bone.vertebra | READY_WITH_LIMITS
      medicine.any=yes;medicine.steroid=yes | standing.medicine.steroid | READY_WITH_LIMITS
      joint.any=yes;hip.pain=yes | standing.hip.pain | READY_WITH_LIMITS
      joint.any=yes;foot.pain=yes | standing.foot.pain | READY_WITH_LIMITS
      joint.any=yes;back.stenosis=yes | standing.back.stenosis | READY_WITH_LIMITS
      joint.any=yes;back.fusion=yes | standing.back.fusion | READY_WITH_LIMITS
      joint.any=yes;joint.inflamed=yes | standing.joint.inflamed | READY_WITH_LIMITS
      joint.any=yes;joint.inflamed=yes;joint.inflamed.neck=yes | standing.inflamed-neck | ASK_FIRST
      joint.any=yes;shoulder.pain=yes;shoulder.kind=cuff;shoulder.date=T-84 | standing.operation | ASK_FIRST
      joint.any=yes;shoulder.pain=yes;shoulder.kind=cuff;shoulder.date=T-85 | standing.operation | -
      joint.any=yes;shoulder.pain=yes;shoulder.kind=reverse | standing.operation | ASK_FIRST
      joint.any=yes;shoulder.pain=yes;shoulder.kind=unstable | standing.operation | -
      sugar.diabetes=yes;sugar.ulcer=yes | standing.foot-ulcer | ASK_FIRST
      cancer.any=yes;blood.platelets=yes;blood.platelets.under=unsure | standing.platelets | ASK_FIRST
      cancer.any=yes;blood.platelets=yes;blood.platelets.under=no | standing.platelets | -
      energy.any=yes;fatigue.after=yes | standing.fatigue-worse | ASK_FIRST
      heart.ever=yes;heart.failure=yes | standing.heart-wall | READY_WITH_LIMITS
      birth.any=yes;pregnancy.now=yes;pregnancy.due=20+0;pregnancy.absolute=yes | standing.pregnancy-absolute | CLEARANCE_ONLY
      birth.any=yes;pregnancy.now=yes;pregnancy.due=20+0;pregnancy.illness=yes | standing.pregnancy-illness | CLEARANCE_ONLY
      birth.any=yes;pregnancy.now=yes;pregnancy.due=20+0;pregnancy.relative=yes | standing.pregnancy-relative | ASK_FIRST
      birth.any=yes;pregnancy.now=yes;pregnancy.due=27+6;pregnancy.praevia=yes | standing.pregnancy-praevia | ASK_FIRST
      birth.any=yes;pregnancy.now=yes;pregnancy.due=28+0;pregnancy.praevia=yes | standing.pregnancy-praevia | CLEARANCE_ONLY
      birth.any=yes;pregnancy.now=yes;pregnancy.due=27+6;pregnancy.twins=yes | standing.pregnancy-twins | READY_WITH_LIMITS
      birth.any=yes;pregnancy.now=yes;pregnancy.due=28+0;pregnancy.twins=yes | standing.pregnancy-twins | ASK_FIRST
      active.now=no | standing.moderate | READY_WITH_LIMITS
      active.now=unsure | standing.moderate | READY_WITH_LIMITS
      active.now=no;sugar.diabetes=yes | standing.inactive-disease | ASK_FIRST
      active.now=no;pressure.high=yes | standing.inactive-disease | -
      active.now=no;lung.ever=yes | standing.inactive-disease | -
      sugar.diabetes=yes | standing.inactive-disease | -
      sugar.diabetes=yes;wish.vigorous=yes | standing.active-disease-vigorous | ASK_FIRST
      kidney.any=yes;wish.vigorous=no | standing.active-disease-vigorous | -
      kidney.any=yes;wish.vigorous=no | standing.moderate | READY_WITH_LIMITS
      """)
  void everyRowOfTheFindings(String said, String rule, String outcome) {
    List<Finding> found =
        assess(said).findings().stream().filter(f -> f.rule().equals(rule)).toList();
    if (outcome.equals("-")) {
      assertThat(found).isEmpty();
    } else {
      assertThat(found).hasSize(1);
      assertThat(found.get(0).outcome()).isEqualTo(Outcome.valueOf(outcome));
      assertThat(found.get(0).source()).isNotBlank();
    }
  }

  @ParameterizedTest(name = "{0} -> {1} {2} <= {3} {4}")
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
      bone.low=yes | spine.flexion.loaded | BOTH | 0 | ADVISED
      bone.low=yes | impact | BOTH | 1 | ADVISED
      joint.any=yes;knee.pain=yes;knee.side=left | joint.knee-flexion.added | LEFT | 60 | ADVISED
      joint.any=yes;knee.pain=yes | joint.knee-flexion.added | BOTH | 60 | ADVISED
      joint.any=yes;knee.replaced=yes;knee.replaced.side=left | position.kneeling | BOTH | 0 | ADVISED
      joint.any=yes;knee.replaced=yes;knee.replaced.side=left | act.pivot | BOTH | 0 | ADVISED
      joint.any=yes;hip.replaced=yes;hip.side=right;hip.approach=back | joint.hip-flexion.any | RIGHT | 90 | FIRM
      joint.any=yes;hip.replaced=yes;hip.side=right;hip.approach=back | surface.low-chair | BOTH | 0 | FIRM
      joint.any=yes;hip.replaced=yes;hip.side=right;hip.approach=back | joint.hip-extension.any | RIGHT | - | FIRM
      joint.any=yes;hip.replaced=yes;hip.side=right;hip.approach=front | joint.hip-extension.any | RIGHT | 0 | FIRM
      joint.any=yes;hip.replaced=yes;hip.side=right;hip.approach=front | joint.hip-flexion.any | RIGHT | - | FIRM
      joint.any=yes;hip.replaced=yes;hip.side=right;hip.approach=unknown | joint.hip-flexion.any | RIGHT | 90 | FIRM
      joint.any=yes;hip.replaced=yes;hip.side=right;hip.approach=unknown | joint.hip-extension.any | RIGHT | 0 | FIRM
      joint.any=yes;hip.replaced=yes;hip.side=right;hip.approach=back;hip.free=yes | joint.hip-flexion.any | RIGHT | - | FIRM
      joint.any=yes;back.pain=yes | hold | BOTH | 20 | ADVISED
      joint.any=yes;back.pain=yes | act.bent-over-free | BOTH | 0 | ADVISED
      joint.any=yes;shoulder.pain=yes;shoulder.side=right | joint.shoulder-elevation.loaded | RIGHT | 80 | ADVISED
      joint.any=yes;shoulder.pain=yes;shoulder.kind=unstable;shoulder.side=left | joint.shoulder-rotation.any | LEFT | 0 | ADVISED
      joint.any=yes;shoulder.pain=yes;shoulder.kind=reverse;shoulder.side=left | act.hands-behind | BOTH | 0 | ADVISED
      joint.any=yes;arm.pain=yes;arm.side=left | grip | LEFT | 1 | ADVISED
      joint.any=yes;neck.pain=yes | joint.shoulder-elevation.added | BOTH | 90 | ADVISED
      operation.recent=yes;limb.spared=yes;limb.which=leg;limb.side=left | bearing.leg | LEFT | 0 | FIRM
      operation.recent=yes;limb.spared=yes;limb.which=arm;limb.side=left | bearing.arm | LEFT | 0 | FIRM
      belly.any=yes;pelvic.floor=yes | act.double-leg-lift | BOTH | 0 | ADVISED
      belly.any=yes;reflux=yes | position.supine | BOTH | 0 | ADVISED
      pressure.high=yes | head.below-heart | BOTH | 0 | ADVISED
      heart.ever=yes;heart.event=yes;heart.event.date=T-56 | effort | BOTH | 4 | ADVISED
      heart.ever=yes;heart.event=yes;heart.event.date=T-56 | session.warm-up | BOTH | 45 | FIRM
      heart.ever=yes;heart.event=yes;heart.event.date=T-56 | session.cool-down | BOTH | 50 | FIRM
      heart.ever=yes;heart.event=yes;heart.event.date=T-56;heart.sternotomy=yes | load.total | BOTH | 4500 | FIRM
      heart.ever=yes;heart.event=yes;heart.event.date=T-84;heart.sternotomy=yes | bearing.arm | BOTH | 0 | FIRM
      heart.ever=yes;heart.event=yes;heart.event.date=T-85;heart.sternotomy=yes | bearing.arm | BOTH | - | FIRM
      heart.ever=yes;heart.event=yes;heart.event.date=T-42;heart.device=pacemaker;heart.device.side=left | joint.shoulder-elevation.any | LEFT | 90 | FIRM
      heart.ever=yes;heart.event=yes;heart.event.date=T-43;heart.device=pacemaker;heart.device.side=left | joint.shoulder-elevation.any | LEFT | - | FIRM
      heart.ever=yes;heart.event=yes;heart.device=defibrillator;heart.device.rate=170 | pulse | BOTH | 150 | FIRM
      heart.ever=yes;clot=yes | balance.unsupported | BOTH | 2 | ADVISED
      medicine.any=yes;medicine.thinner=yes | balance.unsupported | BOTH | 2 | ADVISED
      sugar.diabetes=yes;sugar.feet=yes | balance.unsupported | BOTH | 1 | ADVISED
      sugar.diabetes=yes;senses.any=yes;eyes.disease=yes | impact | BOTH | 0 | ADVISED
      lung.ever=yes | session.work-per-rest | BOTH | 100 | ADVISED
      lung.ever=yes | breathlessness | BOTH | 4 | ADVISED
      nerve.any=yes;parkinson=yes | complexity | BOTH | 1 | ADVISED
      heart.ever=yes;stroke.tia=yes;stroke.side=left | bearing.leg | LEFT | 60 | ADVISED
      heart.ever=yes;stroke.tia=yes;stroke.side=left | joint.shoulder-elevation.any | LEFT | 90 | ADVISED
      heart.ever=yes;stroke.tia=yes;stroke.side=none | bearing.leg | LEFT | - | ADVISED
      nerve.any=yes;sclerosis=yes | session.minutes | BOTH | 30 | ADVISED
      energy.any=yes;fatigue.after=yes | session.minutes | BOTH | 15 | ADVISED
      energy.any=yes;fatigue.after=yes | effort | BOTH | 5 | ADVISED
      cancer.any=yes;cancer.nodes=yes;cancer.side=right | load.hand | RIGHT | 500 | ADVISED
      body.any=yes;wheelchair=yes;wheelchair.legs=no | act.leg-work | BOTH | 0 | FIRM
      body.any=yes;wheelchair=yes;wheelchair.legs=yes | act.leg-work | BOTH | - | FIRM
      body.any=yes;wheelchair=yes;wheelchair.legs=yes | surface.standing | BOTH | 0 | ADVISED
      body.any=yes;limb.lost=yes;limb.lost.which=arm;limb.lost.side=right | load.hand | RIGHT | 0 | ADVISED
      senses.any=yes;senses.low=yes | complexity | BOTH | 1 | ADVISED
      nerve.any=yes;memory=yes | complexity | BOTH | 1 | ADVISED
      falls.any=yes;frail=yes | transfer.floor | BOTH | 0 | ADVISED
      senses.any=yes;vertigo=yes | head.turn | BOTH | 0 | ADVISED
      senses.any=yes;latex=yes | act.band-latex | BOTH | 0 | ADVISED
      birth.any=yes;birth.recent=yes;birth.date=T-20 | load.total | BOTH | 5000 | ADVISED
      birth.any=yes;birth.recent=yes;birth.date=T-60;birth.check=yes;birth.caesarean=yes | load.total | BOTH | 10000 | ADVISED
      birth.any=yes;birth.recent=yes;birth.date=T-85;birth.check=yes;birth.caesarean=yes | load.total | BOTH | - | ADVISED
      birth.any=yes;birth.recent=yes;birth.date=T-100;birth.check=yes | impact | BOTH | 0 | FIRM
      birth.any=yes;pregnancy.now=yes;pregnancy.due=20+0;pregnancy.girdle=yes | act.split-stance | BOTH | 0 | ADVISED
      active.now=no | effort | BOTH | 6 | ADVISED
      falls.any=yes;unsteady=yes | balance.unsupported | BOTH | 1 | ADVISED
      falls.any=yes;unsteady=yes | transfer.floor | BOTH | - | ADVISED
      falls.any=yes;falls.two=yes;floor.trained=no | transfer.floor | BOTH | 0 | ADVISED
      falls.any=yes;falls.two=yes;floor.trained=unsure | transfer.floor | BOTH | 0 | ADVISED
      falls.any=yes;falls.two=yes;floor.trained=yes | transfer.floor | BOTH | - | ADVISED
      bone.low=yes;bone.vertebra=yes | load.from-floor | BOTH | 0 | ADVISED
      medicine.any=yes;medicine.steroid=yes | spine.flexion.loaded | BOTH | 0 | ADVISED
      joint.any=yes;hip.pain=yes;hip.pain.side=right | joint.hip-flexion.added | RIGHT | 90 | ADVISED
      joint.any=yes;foot.pain=yes;foot.pain.side=left | joint.ankle-dorsiflexion.loaded | LEFT | 15 | ADVISED
      joint.any=yes;shoulder.pain=yes;shoulder.kind=cuff;shoulder.side=left;shoulder.date=T-84 | load.hand | LEFT | 0 | FIRM
      joint.any=yes;shoulder.pain=yes;shoulder.kind=cuff;shoulder.side=left;shoulder.date=T-85 | load.hand | LEFT | - | FIRM
      joint.any=yes;shoulder.pain=yes;shoulder.kind=full;shoulder.side=left;shoulder.date=T-200 | joint.shoulder-elevation.loaded | LEFT | 90 | ADVISED
      kidney.any=yes;kidney.dialysis=yes;kidney.access=left | bearing.arm | LEFT | 0 | ADVISED
      kidney.any=yes;kidney.dialysis=yes;kidney.access=belly | pressure | BOTH | 1 | ADVISED
      cancer.any=yes;cancer.bone=yes;cancer.bone.place=leg | act.one-leg-stance | BOTH | 0 | ADVISED
      cancer.any=yes;cancer.bone=yes;cancer.bone.place=spine | act.one-leg-stance | BOTH | - | ADVISED
      cancer.any=yes;cancer.nodes=yes;cancer.limb=leg;cancer.side=left | load.hand | LEFT | - | ADVISED
      energy.any=yes;fatigue.after=yes | effort | BOTH | 3 | ADVISED
      sugar.diabetes=yes;sugar.ulcer=yes;sugar.ulcer.side=left | bearing.leg | LEFT | 0 | ADVISED
      nerve.any=yes;spine.injury=yes;spine.level=low;wheelchair.legs=no | act.leg-work | BOTH | 0 | FIRM
      nerve.any=yes;spine.injury=yes;spine.level=low;wheelchair.legs=yes | act.leg-work | BOTH | - | FIRM
      body.any=yes;limb.lost=yes;limb.lost.which=leg;limb.lost.side=left;limb.prosthesis=no | bearing.leg | LEFT | 0 | ADVISED
      body.any=yes;limb.lost=yes;limb.lost.which=leg;limb.lost.side=left;limb.prosthesis=yes | bearing.leg | LEFT | - | ADVISED
      heart.ever=yes;aneurysm=yes | hold | BOTH | 10 | ADVISED
      joint.any=yes;back.pain=yes;back.direction=bend | spine.flexion.loaded | BOTH | 0 | ADVISED
      joint.any=yes;back.pain=yes;back.direction=arch | spine.extension.any | BOTH | 0 | ADVISED
      joint.any=yes;back.pain=yes;back.direction=arch | act.overhead-unbacked | BOTH | 0 | ADVISED
      joint.any=yes;back.pain=yes;back.direction=turn | spine.rotation.loaded | BOTH | 0 | ADVISED
      joint.any=yes;back.pain=yes;back.direction=both | spine.rotation.loaded | BOTH | 1 | ADVISED
      joint.any=yes;back.pain=yes | spine.flexion.loaded | BOTH | 1 | ADVISED
      joint.any=yes;hip.replaced=yes;hip.side=left;hip.approach=front | impact | BOTH | 0 | ADVISED
      joint.any=yes;joint.inflamed=yes;joint.inflamed.neck=yes | joint.neck.any | BOTH | 20 | ADVISED
      joint.any=yes;shoulder.pain=yes;shoulder.kind=reverse;shoulder.side=left | roll | LEFT | 0 | ADVISED
      joint.any=yes;shoulder.pain=yes;shoulder.kind=cuff;shoulder.side=left;shoulder.date=T-200 | bearing.arm | LEFT | 10 | ADVISED
      bone.low=yes;bone.vertebra=yes | act.bent-over-free | BOTH | 0 | ADVISED
      kidney.any=yes;kidney.dialysis=yes;kidney.access=left | load.hand | LEFT | 0 | ADVISED
      belly.any=yes;belly.stoma=yes | load.from-floor | BOTH | 0 | ADVISED
      nerve.any=yes;seizure=yes | act.weight-over-face | BOTH | 0 | ADVISED
      cancer.any=yes;cancer.bone=yes;cancer.bone.place=arm | bearing.arm | BOTH | 0 | ADVISED
      cancer.any=yes;cancer.nodes=yes;cancer.limb=leg;cancer.side=left | joint.knee-flexion.added | LEFT | 0 | ADVISED
      cancer.any=yes;cancer.nodes=yes;cancer.limb=arm;cancer.side=left | bearing.arm | LEFT | 10 | ADVISED
      cancer.any=yes;cancer.numb=yes | balance.supported | BOTH | 3 | ADVISED
      cancer.any=yes;cancer.port=yes | position.prone | BOTH | 0 | ADVISED
      cancer.any=yes;blood.platelets=yes | act.band-latex | BOTH | 0 | ADVISED
      body.any=yes;wheelchair=yes;trunk.control=none | trunk | BOTH | 0 | ADVISED
      body.any=yes;wheelchair=yes;trunk.control=some | trunk | BOTH | 1 | ADVISED
      body.any=yes;limb.lost=yes;limb.lost.which=leg;limb.lost.side=left;limb.prosthesis=yes | balance.unsupported | BOTH | 0 | ADVISED
      body.any=yes;limb.lost=yes;limb.lost.which=leg;limb.lost.side=left;limb.prosthesis=no | act.foot-work | LEFT | 0 | FIRM
      sugar.diabetes=yes;sugar.feet=yes | impact | BOTH | 0 | ADVISED
      sugar.diabetes=yes;senses.any=yes;eyes.disease=yes | hold | BOTH | 10 | ADVISED
      nerve.any=yes;parkinson=yes | transfer.floor | BOTH | 0 | ADVISED
      nerve.any=yes;parkinson=yes;floor.trained=yes | transfer.floor | BOTH | - | ADVISED
      heart.ever=yes;stroke.tia=yes;stroke.side=left | transfer.floor | BOTH | 0 | ADVISED
      heart.ever=yes;stroke.tia=yes;stroke.side=left | bearing.arm | LEFT | 10 | ADVISED
      heart.ever=yes;heart.event=yes;heart.event.date=T-56;heart.sternotomy=yes | act.one-handed-load | BOTH | 0 | FIRM
      heart.ever=yes;heart.event=yes;heart.event.date=T-56;heart.sternotomy=yes | surface.floor | BOTH | 0 | FIRM
      heart.ever=yes;heart.event=yes;heart.event.date=T-56;heart.sternotomy=yes | act.press-still | BOTH | 0 | FIRM
      falls.any=yes;falls.two=yes | impact | BOTH | 0 | ADVISED
      falls.any=yes;falls.two=yes | balance.supported | BOTH | 3 | ADVISED
      falls.any=yes;frail=yes | balance.supported | BOTH | 2 | ADVISED
      senses.any=yes;vertigo=yes | roll | BOTH | 0 | ADVISED
      senses.any=yes;vertigo=yes | position.supine | BOTH | 0 | ADVISED
      senses.any=yes;eyes.disease=yes | head.turn | BOTH | - | ADVISED
      """)
  void everyRowOfTheConditionTable(
      String said, String axis, Side side, String cap, Strength strength) {
    List<Proposal> found =
        assess(said).proposals().stream()
            .filter(p -> p.axisId().equals(axis) && p.side() == side && p.strength() == strength)
            .toList();
    if (cap.equals("-")) {
      assertThat(found).isEmpty();
    } else {
      assertThat(found).extracting(Proposal::cap).contains(Integer.valueOf(cap));
      assertThat(found).allMatch(p -> !p.why().isBlank() && !p.source().isBlank());
    }
  }

  @Test
  void anEffortToKeepToIsALimitAndNothingTheClientHas() {
    Assessment resting = assess("active.now=no");
    assertThat(resting.proposals()).extracting(Proposal::axisId).contains("effort");
    assertThat(resting.conditions()).isEmpty();
    assertThat(assess("active.now=no;senses.any=yes;vertigo=yes").conditions())
        .isNotEmpty()
        .doesNotHaveDuplicates()
        .doesNotContain(Condition.MODERATE_ONLY.words);
  }

  @ParameterizedTest(name = "{0}: supine from {1}, prone from {2}")
  @CsvSource({
    "pregnancy.due=15+6, 1, 0",
    "pregnancy.due=16+0, 0, 0",
    "pregnancy.due=13+6, 15, 1",
    "pregnancy.due=13+6;pregnancy.flat=unsure, 0, 1",
    "pregnancy.due=10+0;pregnancy.belly=yes, 42, 0"
  })
  void pregnancyClosesPositionsByWeekAndSymptomsAtOnce(String said, int supine, int prone) {
    Assessment a = assess("birth.any=yes;pregnancy.now=yes;" + said);
    Map<String, Integer> in = Map.of("position.supine", supine, "position.prone", prone);
    in.forEach(
        (axis, days) ->
            assertThat(a.proposals())
                .filteredOn(p -> p.axisId().equals(axis))
                .extracting(Proposal::from)
                .containsExactly(TODAY.plusDays(days)));
  }

  @ParameterizedTest(name = "{0} requires {1}")
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
      active.now=yes | []
      pressure.high=yes | [PRESSURE]
      heart.ever=yes | [PRESSURE, PULSE]
      lung.ever=unsure | [SATURATION]
      sugar.diabetes=yes | []
      sugar.diabetes=yes;sugar.low=yes | [GLUCOSE]
      sugar.diabetes=yes;sugar.type1=yes | [GLUCOSE]
      birth.any=yes;pregnancy.now=yes | [PRESSURE]
      birth.any=yes;birth.recent=yes;birth.date=T-42;birth.check=yes | [PRESSURE]
      birth.any=yes;birth.recent=yes;birth.date=T-43;birth.check=yes | []
      nerve.any=yes;spine.injury=yes;spine.level=high | [PRESSURE]
      nerve.any=yes;spine.injury=yes;spine.level=low | []
      """)
  void readingsAreRequiredWhereTheConditionsSaySo(String said, String readings) {
    assertThat(assess(said).readings()).hasToString(readings);
  }

  @ParameterizedTest(name = "{0}: targets off {1}, event until {2}")
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
      active.now=yes | 0 | -
      medicine.any=yes;medicine.rate=yes | 1 | -
      heart.ever=yes;heart.rhythm=yes | 1 | -
      birth.any=yes;pregnancy.now=yes | 1 | -
      kidney.any=yes;kidney.dialysis=yes;heart.transplant=yes | 1 | -
      nerve.any=yes;spine.injury=yes;spine.level=high | 1 | -
      nerve.any=yes;spine.injury=yes;spine.level=low | 0 | -
      heart.ever=yes;heart.event=yes;heart.event.date=T-84;heart.device=pacemaker | 1 | 0
      heart.ever=yes;heart.event=yes;heart.event.date=T-85 | 0 | -
      """)
  void pulseTargetsAreSwitchedOffWithTheirReason(String said, int off, String until) {
    PulseFacts p = assess(said).pulse();
    assertThat(p.off()).hasSize(off);
    assertThat(p.eventUntil())
        .isEqualTo(until.equals("-") ? null : TODAY.plusDays(Integer.parseInt(until)));
  }

  @ParameterizedTest
  @EnumSource(Condition.class)
  void everyConditionNamesItsSourceAndKnownAxesOnly(Condition c) {
    List<Proposal> all = c.proposals(Side.LEFT, TODAY);
    assertThat(c.source).isNotBlank();
    assertThat(all.size() + c.notes.size()).isPositive();
    assertThat(all)
        .allMatch(
            p ->
                p.cap() <= Axis.of(p.axisId()).greatest
                    && (p.side() == Side.LEFT) == Axis.of(p.axisId()).sided);
    Set<String> keys = new LinkedHashSet<>();
    assertThat(all).allMatch(p -> keys.add(p.key()));
  }
}
