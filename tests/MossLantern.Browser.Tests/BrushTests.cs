using OpenQA.Selenium;

namespace MossLantern.Browser.Tests;

/// <summary>The page's brush and the program's paint the same list: their pictures must look the same.</summary>
public sealed class BrushTests(SharedWorkshop shared) : WorkshopCase(shared)
{
    [Theory]
    [InlineData("marsh-light", "", "", "painted to scale")]
    [InlineData("old-kiln", "Just poured", "wet=true", "just poured")]
    [InlineData("sundew-pair", "", "", "painted to scale")]
    [InlineData("bogbean-round", "", "", "painted to scale")]
    [InlineData("rain-ring", "Tilt it to the light", "tiltDeg=40", "painted to scale")]
    [InlineData("peat-pool", "Underside", "face=underside", "from below")]
    [InlineData("peat-pool", "Light behind", "light=back", "with the light behind it")]
    public void Both_brushes_paint_the_same_picture(string piece, string look, string query, string told)
    {
        // Large, so that it matters little where between two pixels a line falls.
        using var page = NewPage(2000, 1500);
        page.Open($"/pieces/{piece}/map");
        page.WaitForPainting();
        if (look.Length > 0)
        {
            page.Script<object>("window.before = document.querySelector('canvas.picture').toDataURL()");
            var tilts = look.StartsWith("Tilt", StringComparison.Ordinal);
            page.TabTo(tilts ? "slider" : "button", look);
            page.Press(tilts ? [.. Enumerable.Repeat(Keys.ArrowRight, 40)] : [Keys.Enter]);
            Waiting.Until(() => page
                .Script<bool>("return document.querySelector('canvas.picture').toDataURL() !== window.before"), "the other look");
        }

        Assert.EndsWith(told, page.Script<string>("return document.querySelector('.painted').ariaLabel"), StringComparison.Ordinal);

        page.Script<object>(
            """
            window.difference = null;
            (async () => {
              const canvas = document.querySelector('canvas.picture');
              const { width, height } = canvas;
              const own = canvas.getContext('2d').getImageData(0, 0, width, height).data;
              const painting = await (await fetch(`/api/pieces/${arguments[0]}/painting?${arguments[1]}`)).json();
              const bar = document.querySelector('.scale-bar');
              const scale = parseFloat(bar.style.width) / parseFloat(bar.textContent);
              const [wide, high] = [painting.widthMm * scale, painting.heightMm * scale];

              // The picture comes in whole pixels; it is laid exactly where the page has painted its own.
              const image = new Image();
              image.src = `/api/pieces/${arguments[0]}/picture.png?width=${Math.ceil(wide)}&${arguments[1]}`;
              await image.decode();
              let left = width, right = 0, top = height, bottom = 0;
              for (let y = 0; y < height; y++) for (let x = 0; x < width; x++)
                if (own[4 * (y * width + x) + 3] > 127) {
                  left = Math.min(left, x); right = Math.max(right, x);
                  top = Math.min(top, y); bottom = Math.max(bottom, y);
                }
              const other = document.createElement('canvas');
              [other.width, other.height] = [width, height];
              const context = other.getContext('2d');
              context.imageSmoothingQuality = 'high';
              context.drawImage(image, (left + right + 1 - wide) / 2, (top + bottom + 1 - high) / 2, wide, high);
              const theirs = context.getImageData(0, 0, width, height).data;
              let sum = 0, count = 0, far = 0;
              for (let y = top + 4; y < bottom - 4; y++) for (let x = left + 4; x < right - 4; x++) {
                const at = 4 * (y * width + x);
                if (theirs[at + 3] < 255 || own[at + 3] < 255) continue;
                let worst = 0;
                for (let c = 0; c < 3; c++) worst = Math.max(worst, Math.abs(theirs[at + c] - own[at + c]));
                sum += worst; count++; far += worst > 40 ? 1 : 0;
              }
              window.difference = [sum / count, far / count, count / (wide * high)].join(' ');
            })();
            """,
            piece,
            query);
        Waiting.Until(() => page.Script<string?>("return window.difference") is not null, "the two pictures to be compared");
        var parts = page.Script<string>("return window.difference").Split(' ')
            .Select(p => double.Parse(p, System.Globalization.CultureInfo.InvariantCulture)).ToArray();
        TestContext.Current.SendDiagnosticMessage("{0} {3}: mean difference {1:0.00} of 255, {2:0.00} % of pixels differ by more than 40",
            piece, parts[0], 100 * parts[1], query);

        // Edges fall on pixels a little differently; nothing else may.
        Assert.InRange(parts[0], 0, 6);
        Assert.InRange(parts[1], 0, 0.02);
        Assert.InRange(parts[2], 0.5, 1);
    }
}
