package mezcla.web.house.begin;

import java.time.ZoneId;

/** What the first steward types, as it was typed. */
public class BeginForm {
    private String code = "";
    private String houseName = "";
    private String currency = "";
    private String timeZone = here();
    private String units = "METRIC";
    private String address = "";
    private String name = "";
    private String signInName = "";
    private String password = "";

    /** Where this machine thinks it is; nothing where that is no place. */
    private static String here() {
        String zone = ZoneId.systemDefault().getId();
        return zone.contains("/") && !zone.startsWith("Etc/") ? zone : "";
    }

    public String getCode() {
        return code;
    }

    public void setCode(String code) {
        this.code = code;
    }

    public String getHouseName() {
        return houseName;
    }

    public void setHouseName(String houseName) {
        this.houseName = houseName;
    }

    public String getCurrency() {
        return currency;
    }

    public void setCurrency(String currency) {
        this.currency = currency;
    }

    public String getTimeZone() {
        return timeZone;
    }

    public void setTimeZone(String timeZone) {
        this.timeZone = timeZone;
    }

    public String getUnits() {
        return units;
    }

    public void setUnits(String units) {
        this.units = units;
    }

    /** Where links to the house lead; may be empty. */
    public String getAddress() {
        return address;
    }

    public void setAddress(String address) {
        this.address = address;
    }

    public String getName() {
        return name;
    }

    public void setName(String name) {
        this.name = name;
    }

    public String getSignInName() {
        return signInName;
    }

    public void setSignInName(String signInName) {
        this.signInName = signInName;
    }

    public String getPassword() {
        return password;
    }

    public void setPassword(String password) {
        this.password = password;
    }
}
