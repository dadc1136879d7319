package org.pressboard.wiring;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.HashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.pressboard.site.SiteFrames;
import org.pressboard.visit.Visit;
import org.thymeleaf.spring6.view.ThymeleafView;

/** A template with what stands around the answer to this request at hand, error pages included. */
final class FramedView extends ThymeleafView {

    /** The name of the static variable that makes frames, and of what templates know one by. */
    static final String FRAMES = "frames";
    private static final String FRAME = "frame";

    FramedView() {
    }

    @Override
    public void render(@Nullable Map<String, ?> model, HttpServletRequest request, HttpServletResponse response)
            throws Exception {
        Map<String, Object> framed = new HashMap<>(model == null ? Map.of() : model);
        if (getStaticVariables().get(FRAMES) instanceof SiteFrames frames) {
            framed.put(FRAME, framed.get(SiteFrames.DRAWN) instanceof Visit drawn ? frames.of(request, drawn) : frames.of(request));
        }
        super.render(framed, request, response);
    }
}
