package mezcla.web.members;

import java.util.Map;
import mezcla.measure.TypedObjection;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.Beside;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.typed.TypedText;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** The room of members. */
@Controller
class MembersController {
    private static final int NAME_CHARACTERS = 40;

    private final MembersService service;
    private final Members members;
    private final MemberPages pages;
    private final OneTimeForms forms;

    MembersController(MembersService service, Members members, MemberPages pages, OneTimeForms forms) {
        this.service = service;
        this.members = members;
        this.pages = pages;
        this.forms = forms;
    }

    @GetMapping("/house/members")
    ModelAndView everybody(@AuthenticationPrincipal SignedIn who) {
        return everybody(who, Map.of(), new FieldErrors());
    }

    private ModelAndView everybody(SignedIn who, Map<String, String> typed, FieldErrors errors) {
        return PageView.of("members/members", pages.everybody(who, typed), errors);
    }

    @GetMapping("/house/members/{id}")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView one(@PathVariable long id, @AuthenticationPrincipal SignedIn who) {
        return one(who, id, Map.of(), new FieldErrors());
    }

    private ModelAndView one(SignedIn who, long id, Map<String, String> typed, FieldErrors errors) {
        return PageView.of("members/member", pages.one(who, id, typed), errors);
    }

    private static @Nullable String name(Map<String, String> typed, FieldErrors errors) {
        return errors.read(
                "name", () -> TypedText.of(text(typed, "name"), NAME_CHARACTERS, new TypedObjection.Missing()));
    }

    @PostMapping("/house/members")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView add(@RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn who) {
        FieldErrors errors = new FieldErrors();
        String name = name(typed, errors);
        return forms.answer(
                typed,
                errors,
                "/house/members?saved",
                Beside.field("signInName").or("password", "name"),
                () -> service.add(
                        who,
                        FieldErrors.known(name),
                        text(typed, "signInName").strip(),
                        text(typed, "password"),
                        typed.containsKey("steward")),
                () -> everybody(who, typed, errors));
    }

    @PostMapping("/house/members/{id}/name")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView rename(
            @PathVariable long id, @RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn who) {
        FieldErrors errors = new FieldErrors();
        String name = name(typed, errors);
        return forms.answer(
                typed,
                errors,
                "/house/members/" + id + "?saved",
                Beside.field("signInName").or("name"),
                () -> members.rename(
                        who,
                        id,
                        FieldErrors.known(name),
                        text(typed, "signInName").strip()),
                () -> one(who, id, typed, errors));
    }

    @PostMapping("/house/members/{id}/password")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView resetPassword(
            @PathVariable long id, @RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn who) {
        FieldErrors errors = new FieldErrors();
        return forms.answer(
                typed,
                errors,
                "/house/members/" + id + "?saved",
                Beside.field("password"),
                () -> service.resetPassword(who, id, text(typed, "password")),
                () -> one(who, id, Map.of(), errors));
    }

    @PostMapping("/house/members/{id}/role")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView setRole(
            @PathVariable long id, @RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn who) {
        FieldErrors errors = new FieldErrors();
        boolean steward = text(typed, "steward").equals("true");
        return forms.answer(
                typed,
                errors,
                "/house/members/" + id + "?saved",
                Beside.field("role"),
                () -> members.setRole(who, id, steward),
                () -> one(who, id, Map.of(), errors));
    }

    @PostMapping("/house/members/{id}/leave")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView leave(
            @PathVariable long id, @RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn who) {
        FieldErrors errors = new FieldErrors();
        return forms.answer(
                typed,
                errors,
                "/house/members?left#former",
                Beside.field("role"),
                () -> members.leave(who, id),
                () -> one(who, id, Map.of(), errors));
    }

    @PostMapping("/house/members/{id}/number")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView becomeNumber(
            @PathVariable long id, @RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn who) {
        FieldErrors errors = new FieldErrors();
        return forms.answer(
                typed,
                errors,
                "/house/members?numbered#former",
                Beside.field("former"),
                () -> members.becomeNumber(who, id),
                () -> everybody(who, Map.of(), errors));
    }

    private static String text(Map<String, String> typed, String name) {
        return typed.getOrDefault(name, "");
    }
}
