package mezcla.web.bench.fresh;

/** What a member typed about fresh solution for a batch that stands already, as it was typed. */
public class FreshForm {
    private String bath = "";
    private String kit = "";
    private String volume = "";
    private String bottle = "";
    private String route = "";
    private boolean atBench;
    private boolean read;
    private String formKey = "";

    public String getBath() {
        return bath;
    }

    public void setBath(String bath) {
        this.bath = bath;
    }

    public String getKit() {
        return kit;
    }

    public void setKit(String kit) {
        this.kit = kit;
    }

    public String getVolume() {
        return volume;
    }

    public void setVolume(String volume) {
        this.volume = volume;
    }

    public String getBottle() {
        return bottle;
    }

    public void setBottle(String bottle) {
        this.bottle = bottle;
    }

    /** Where the old one goes. */
    public String getRoute() {
        return route;
    }

    public void setRoute(String route) {
        this.route = route;
    }

    public String getFormKey() {
        return formKey;
    }

    public void setFormKey(String formKey) {
        this.formKey = formKey;
    }

    /** Whether it goes on at the bench, act by act. */
    public boolean isAtBench() {
        return atBench;
    }

    public void setAtBench(boolean atBench) {
        this.atBench = atBench;
    }

    /** Whether the cautions were read. */
    public boolean isRead() {
        return read;
    }

    public void setRead(boolean read) {
        this.read = read;
    }
}
