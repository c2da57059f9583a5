package riposo.core.screening;

/** Something to keep in mind that no limit can say: "Shoes on", with the condition it is for. */
public record CareNote(String condition, String text, String source) {}
