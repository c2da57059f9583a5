package riposo.core;

import java.util.ArrayList;
import java.util.List;

/** Every order there is, for laws that must not depend on one. */
public final class Orders {
  private Orders() {}

  /** All n! orders of a list; one, empty, of an empty list. */
  public static <T> List<List<T>> of(List<T> all) {
    if (all.isEmpty()) {
      return List.of(List.of());
    }
    List<List<T>> result = new ArrayList<>();
    for (int i = 0; i < all.size(); i++) {
      List<T> rest = new ArrayList<>(all);
      T head = rest.remove(i);
      for (List<T> tail : of(rest)) {
        List<T> one = new ArrayList<>(List.of(head));
        one.addAll(tail);
        result.add(one);
      }
    }
    return result;
  }
}
