package mezcla.web.store;

/** The file cannot be opened at all. */
final class StoreUnusable extends RuntimeException {
    private static final long serialVersionUID = 1;

    StoreUnusable(String message) {
        super(message);
    }
}
