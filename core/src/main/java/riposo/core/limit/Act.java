package riposo.core.limit;

/** Named actions that a limit can close and that no degree or level expresses. */
public enum Act {
  DIP("a dip"),
  UPRIGHT_ROW("an upright row above the chest"),
  SIT_UP("a sit-up"),
  DOUBLE_LEG_LIFT("lifting both legs together"),
  SPLIT_STANCE("a split stance"),
  ONE_LEG_STANCE("standing on one leg"),
  WIDE_HIPS("a wide spread of the hips"),
  CROSSING("crossing one foot past the other"),
  PIVOT("turning on a planted foot"),
  BENT_OVER_FREE("bending over with no hand on support"),
  HANDS_BEHIND("hands behind the body"),
  HANDS_OUT_OF_VIEW("hands out of view"),
  HEAD_CIRCLE("head circles"),
  LEG_WORK("work with the legs"),
  /** Asked of one side where one side works: a foot that is not there leaves the other. */
  FOOT_WORK("work or stretch of the foot"),
  UNEVEN_LEGS("one leg doing more than the other"),
  STAND_UP("standing up from a seat"),
  LIFT_FROM_FLOOR("lifting a weight from the floor"),
  ONE_HANDED_LOAD("a weight moved by one hand alone"),
  PRESS_STILL("pressing or squeezing against what does not move"),
  BELLY_DOWN("weight on the belly or chest"),
  WEIGHT_OVER_FACE("a weight over the face"),
  OVERHEAD_UNBACKED("an arm overhead with the back not supported"),
  /** A training rung of getting down and up: itself the way, so no other way is asked for. */
  FLOOR_TRAINING("practising the way to the floor"),
  BAND_LATEX("a latex band");

  public final String words;

  Act(String words) {
    this.words = words;
  }

  public String id() {
    return name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
  }
}
