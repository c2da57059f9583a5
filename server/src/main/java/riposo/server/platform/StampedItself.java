package riposo.server.platform;

/** A row that a stamp of {@link Stamps} is about: it stands under its own id and goes with it. */
public interface StampedItself {}
