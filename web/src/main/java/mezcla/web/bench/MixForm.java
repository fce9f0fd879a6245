package mezcla.web.bench;

import java.util.HashMap;
import java.util.Map;

/** What a member typed about a mix, as it was typed. */
public class MixForm {
    private String volume = "";
    private String name = "";
    private Map<String, String> bottles = new HashMap<>();
    private String formKey = "";

    public String getVolume() {
        return volume;
    }

    public void setVolume(String volume) {
        this.volume = volume;
    }

    public String getName() {
        return name;
    }

    public void setName(String name) {
        this.name = name;
    }

    /** The bottle chosen for each bath, by the bath's key. */
    public Map<String, String> getBottles() {
        return bottles;
    }

    public void setBottles(Map<String, String> bottles) {
        this.bottles = bottles;
    }

    public String getFormKey() {
        return formKey;
    }

    public void setFormKey(String formKey) {
        this.formKey = formKey;
    }
}
