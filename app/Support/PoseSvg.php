<?php

declare(strict_types=1);

namespace App\Support;

/** A small drawing of an exercise for paper, from the art of the screen, in the tones the pages draw it in. */
final readonly class PoseSvg
{
    /** What is filled, the farthest first, and in which tone (resources/js/chart/poses.ts). */
    private const FILLED = ['table' => '#eadfca', 'patch' => '#e3d3bb', 'pad' => '#e6dcc9', 'cloth' => '#f6f0e2', 'skin' => '#ecdfcb'];

    private const LINES = ['soft' => '#7a5f4a', 'hair' => '#4a3728'];

    private const INKED = ['line' => '#4a3728', 'arrow' => '#24455f'];

    /** @return list<string> an exercise: how it begins, where that is another, and how it goes on */
    public function exercise(string $id): array
    {
        return array_values(array_filter([$this->of("home.$id.start"), $this->of("home.$id")]));
    }

    /** @return string|null the source of an image; null where nothing is drawn */
    public function of(string $id): ?string
    {
        $path = resource_path("js/chart/art/poses/$id.json");
        if (preg_match('/^[a-z_.]+$/', $id) !== 1 || ! is_file($path)) {
            return null;
        }
        $pose = (array) json_decode((string) file_get_contents($path), true);
        $svg = '';
        foreach (self::FILLED as $part => $tone) {
            $svg .= isset($pose[$part])
                ? "<path d=\"{$pose[$part]}\" fill=\"$tone\" fill-rule=\"evenodd\" stroke=\"$tone\" stroke-width=\"2\"/>"
                : '';
        }
        foreach (self::LINES as $part => $tone) {
            $width = (float) $pose['sw'] + 1;
            $svg .= isset($pose[$part]) ? "<path d=\"{$pose[$part]}\" fill=\"none\" stroke=\"$tone\" stroke-width=\"$width\"/>" : '';
        }
        foreach (self::INKED as $part => $tone) {
            $svg .= isset($pose[$part]) ? "<path d=\"{$pose[$part]}\" fill=\"$tone\" stroke=\"$tone\" stroke-width=\"1\"/>" : '';
        }
        $svg = sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" width="%1$d" height="%2$d" viewBox="0 0 %1$d %2$d">%3$s</svg>', $pose['w'], $pose['h'], $svg,
        );

        return 'data:image/svg+xml;base64,'.base64_encode($svg);
    }
}
