<?php

declare(strict_types=1);

namespace App\Support;

/**
 * The body for paper, from in front and from behind side by side: the muscles under the skin in their tones, from the art of the screen.
 */
final readonly class BodyPicture
{
    /** From midline to midline, and the height of the plates. */
    public const APART = 500;

    public const HEIGHT = 1070;

    public const VIEWS = ['front' => 'whole-front', 'back' => 'whole-back'];

    /**
     * What a cell is made of: three tones of muscle, bone, sheet, fat; as the figure is painted for print
     * (resources/figure/model/tones.mjs).
     */
    private const TONES = [[227, 205, 184], [218, 193, 170], [207, 178, 153], [250, 245, 234], [248, 243, 232], [240, 227, 203]];

    private const LINE = [150, 118, 94];

    /** @return string a PNG, one pixel a unit; drawn once and kept */
    public function png(): string
    {
        $states = array_map(static fn (string $region): array => self::art("dissection/$region.1"), self::VIEWS);
        $path = storage_path('framework/cache/data/paper/body-'.implode('-', array_column($states, 'source')).'.png');
        is_dir(dirname($path)) || @mkdir(dirname($path), 0o770, true);
        if (! is_file($path)) {
            $image = imagecreatetruecolor(self::APART * count(self::VIEWS), self::HEIGHT);
            imagefill($image, 0, 0, (int) imagecolorallocate($image, 255, 255, 255));
            $boxes = array_column(self::art('dissection/index'), 'box', 'id');
            foreach (array_keys(self::VIEWS) as $index => $view) {
                [$left, $top] = $boxes[self::VIEWS[$view]];
                $this->draw($image, $states[$view], (int) (self::APART * ($index + 0.5) + $left), (int) $top);
            }
            ob_start();
            imagepng($image, null, 9);
            // written beside it first: two papers may be made at once
            $own = $path.'.'.getmypid();
            file_put_contents($own, (string) ob_get_clean());
            rename($own, $path);
        }

        return (string) file_get_contents($path);
    }

    /** @param  array<array-key, mixed>  $state */
    private function draw(\GdImage $image, array $state, int $left, int $top): void
    {
        $tones = array_map(static fn (array $tone): int => (int) imagecolorallocate($image, ...$tone), self::TONES);
        $line = (int) imagecolorallocate($image, ...self::LINE);
        [$cell, $columns, $kinds] = [(int) $state['cell'], (int) $state['columns'], (string) $state['kinds']];
        $rows = [];
        $at = 0;
        foreach (array_chunk((array) $state['runs'], 2) as [$id, $long]) {
            for ($k = 0; $k < $long; $k++, $at++) {
                $rows[intdiv($at, $columns)][$at % $columns] = (int) $id;
            }
        }
        foreach ($rows as $row => $ids) {
            foreach ($ids as $column => $id) {
                $tone = $tones[(int) $kinds[$id]] ?? null;
                if ($tone === null) {
                    continue; // nothing of its own: the paper is seen
                }
                [$x, $y] = [$left + $column * $cell, $top + $row * $cell];
                imagefilledrectangle($image, $x, $y, $x + $cell - 1, $y + $cell - 1, $tone);
                if (($ids[$column + 1] ?? $id) !== $id) {
                    imageline($image, $x + $cell - 1, $y, $x + $cell - 1, $y + $cell - 1, $line);
                }
                if (($rows[$row + 1][$column] ?? $id) !== $id) {
                    imageline($image, $x, $y + $cell - 1, $x + $cell - 1, $y + $cell - 1, $line);
                }
            }
        }
    }

    /** @return array<array-key, mixed> */
    public static function art(string $name): array
    {
        return (array) json_decode((string) file_get_contents(resource_path("js/chart/art/$name.generated.json")), true);
    }
}
