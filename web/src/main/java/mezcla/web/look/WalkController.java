package mezcla.web.look;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import mezcla.log.Sign;
import mezcla.measure.Refusal;
import mezcla.measure.TypedObjection;
import mezcla.measure.Volume;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.declared.FieldReader;
import mezcla.web.forms.declared.RefusedAt;
import mezcla.web.forms.declared.Sent;
import mezcla.web.forms.declared.Takes;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.ModelAndView;

/** The round of the shelf, on a phone. */
@Controller
class WalkController {
    private final WalkService walk;
    private final OneTimeForms forms;

    WalkController(WalkService walk, OneTimeForms forms) {
        this.walk = walk;
        this.forms = forms;
    }

    /** What stands on the label; a scanned one is the address that leads to the batch, with the code at its end. */
    static final class Code implements FieldReader<String> {
        @Override
        public String read(String typed) {
            String text = typed.strip();
            if (text.isEmpty()) {
                throw Refusal.of(new TypedObjection.Missing());
            }
            return text.substring(text.lastIndexOf('/') + 1);
        }
    }

    /** A bottle in hand. */
    @RefusedAt("level")
    record FoundForm(
            @Takes(by = Code.class) String code,
            @Nullable Volume level,
            @Takes(or = FormObjection.UnknownSign.class) @Nullable Sign sign) {}

    @GetMapping("/walk")
    ModelAndView round() {
        return page(Sent.nothing());
    }

    @PostMapping("/walk")
    ModelAndView find(Sent<FoundForm> sent, @AuthenticationPrincipal SignedIn member) {
        return forms.answer(
                sent,
                form -> {
                    WalkService.Found found = walk.find(member, form.code(), form.level(), form.sign());
                    return "/walk?found=%s&entry=%d"
                            .formatted(URLEncoder.encode(found.label(), StandardCharsets.UTF_8), found.entry());
                },
                () -> page(sent));
    }

    /** A round of the shelf. */
    record Page(List<WalkService.Bottle> bottles, long missing, List<Sign> signs) {}

    private ModelAndView page(Sent<?> sent) {
        List<WalkService.Bottle> bottles = walk.bottles();
        return PageView.of(
                "look/walk",
                new Page(
                        bottles,
                        bottles.stream().filter(WalkService.Bottle::missing).count(),
                        List.of(Sign.values())),
                sent);
    }
}
