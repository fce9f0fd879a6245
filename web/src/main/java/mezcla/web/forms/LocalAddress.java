package mezcla.web.forms;

/** The address of a page of ours, whatever was sent as one. */
public final class LocalAddress {
    private static final int MOST_CHARACTERS = 1500;

    private LocalAddress() {}

    /**
     * The address, where it leads to a page of ours: it begins with one slash, is no longer than a page can need, and
     * holds nothing that ends a line or a host.
     *
     * @param sent what was sent
     * @param otherwise what to use instead
     */
    public static String or(String sent, String otherwise) {
        return sent.length() <= MOST_CHARACTERS && sent.matches("/(?:[a-zA-Z0-9][!-\\[\\]-~]*)?") ? sent : otherwise;
    }
}
