namespace MossLantern.Browser.Tests;

/// <summary>The page's brush and the program's paint the same list: their pictures must look the same.</summary>
public sealed class BrushTests : IDisposable
{
    private readonly WorkshopProcess workshop = new(demo: true);

    public void Dispose() => workshop.Dispose();

    [Theory]
    [InlineData("marsh-light")]
    [InlineData("bogbean-round")]
    public void Both_brushes_paint_the_same_picture(string piece)
    {
        using var page = new Page(workshop.Address);
        page.Open($"/pieces/{piece}/cure");
        page.WaitForPainting();
        page.Script<object>(
            """
            window.difference = null;
            const canvas = document.querySelector('canvas.picture');
            const pixels = canvas.getContext('2d').getImageData(0, 0, canvas.width, canvas.height);
            let left = canvas.width, right = 0, top = canvas.height;
            for (let y = 0; y < canvas.height; y++) for (let x = 0; x < canvas.width; x++)
              if (pixels.data[4 * (y * canvas.width + x) + 3] > 127) { left = Math.min(left, x); right = Math.max(right, x); top = Math.min(top, y); }
            const width = right - left + 1;
            const image = new Image();
            image.onload = () => {
              const other = document.createElement('canvas');
              [other.width, other.height] = [image.width, image.height];
              const context = other.getContext('2d');
              context.drawImage(image, 0, 0);
              const theirs = context.getImageData(0, 0, image.width, image.height).data;
              let sum = 0, count = 0, far = 0;
              for (let y = 4; y < image.height - 4; y++) for (let x = 4; x < image.width - 4; x++) {
                const at = 4 * (y * image.width + x), own = 4 * ((y + top) * canvas.width + x + left);
                if (theirs[at + 3] < 255 || pixels.data[own + 3] < 255) continue;
                let worst = 0;
                for (let c = 0; c < 3; c++) worst = Math.max(worst, Math.abs(theirs[at + c] - pixels.data[own + c]));
                sum += worst; count++; far += worst > 40 ? 1 : 0;
              }
              window.difference = [sum / count, far / count, count / (image.width * image.height)].join(' ');
            };
            image.src = `/api/pieces/${arguments[0]}/picture.png?width=${width}`;
            """,
            piece);
        Waiting.Until(() => page.Script<string?>("return window.difference") is not null, "the two pictures to be compared");
        var parts = page.Script<string>("return window.difference").Split(' ').Select(p => double.Parse(p, System.Globalization.CultureInfo.InvariantCulture)).ToArray();
        TestContext.Current.SendDiagnosticMessage("{0}: mean difference {1:0.00} of 255, {2:0.00} % of pixels differ by more than 40", piece, parts[0], 100 * parts[1]);

        // Edges fall on pixels a little differently; nothing else may.
        Assert.InRange(parts[0], 0, 6);
        Assert.InRange(parts[1], 0, 0.02);
        Assert.InRange(parts[2], 0.5, 1);
    }
}
