package riposo.core.movement;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;

/** A task of the day that training a family of movements serves: what a movement is for. */
public enum Task {
  STAIRS("climbing stairs", "stairs?|steps|climb\\w*|hills?|upstairs|kerbs?"),
  TOILET(
      "getting up from chair and toilet",
      "toilet|chair|sofa|armchair|get(ting)? up from (a|the|my) seat|low seat|stand(ing)? up"),
  CAR("getting in and out of the car", "car|driv\\w+|taxi|bus"),
  BAGS("carrying the shopping bag", "shopping|bags?|groceries|suitcase|luggage|carry\\w*"),
  CHILD(
      "lifting a child or a child seat",
      "child\\w*|grandchild\\w*|grandson|granddaughter|baby|toddler|lift\\w*"),
  STUMBLE("catching a stumble", "stumbl\\w+|fall(ing|s)?|trip(ping)?|balance|unsteady|steady|ice"),
  SHELF("reaching a shelf", "shel(f|ves)|cupboards?|reach\\w*|overhead|washing line|curtains?"),
  DOOR("pushing a heavy door", "doors?|push\\w*|wheelbarrow|mow\\w*|trolley|pram"),
  DRESSING("shoes, coat and dressing", "shoes?|socks?|dress\\w*|coat|jacket|bra|hair"),
  WALKING("walking further, at a pace", "walk\\w*|hik\\w+|dog|market|village|pace"),
  FLOOR(
      "getting down to the floor and up",
      "floor|kneel\\w*|garden\\w*|get(ting)? down|play with|carpet"),
  BED("turning and rising in bed", "bed|turn(ing)? over|lying"),
  LOOK_BACK(
      "looking over the shoulder", "look(ing)? (round|back|behind)|revers\\w+|shoulder check"),
  JAR("opening jars and taps", "jars?|bottles?|taps?|grip|hands?|lids?"),
  TALKING("breath for talking and climbing", "breath\\w*|sing\\w*|talk\\w*");

  public final String words;
  private final Pattern named;

  Task(String words, String named) {
    this.words = words;
    this.named = Pattern.compile("\\b(" + named + ")\\b");
  }

  /** The constant's key in data and addresses, {@code look-back}. */
  public String id() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  /** The task of that key; throws {@link IllegalArgumentException} naming an unknown one. */
  public static Task ofId(String id) {
    for (Task t : values()) {
      if (t.id().equals(id)) {
        return t;
      }
    }
    throw new IllegalArgumentException("unknown task of the day: " + id);
  }

  /** The tasks a goal names in its own words, in their order here; empty where it names none. */
  public static List<Task> namedIn(String goal) {
    String said = goal.toLowerCase(Locale.ROOT);
    List<Task> found = new ArrayList<>();
    for (Task t : values()) {
      if (t.named.matcher(said).find()) {
        found.add(t);
      }
    }
    return found;
  }
}
