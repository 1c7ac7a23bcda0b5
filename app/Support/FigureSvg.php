<?php

declare(strict_types=1);

namespace App\Support;

/**
 * The figure for paper: front and back, with where it hurts and what was tender. Whoever treats sees a picture of the muscles; laypeople
 * the body as the screen shows it to them, clothed. Marks are plain shapes, since what makes a PDF understands no more.
 */
final readonly class FigureSvg
{
    /** Rim of a ring by tenderness 0 to 4. */
    private const RIMS = [0.8, 1.8, 3, 4.2, 5.6];

    private const WIDTH_CM = 5.1;

    private const CLOTHES = ['shirt' => '#e4dfd3', 'shorts' => '#c9c6be'];

    public function __construct(private BodyPicture $body)
    {
    }

    /**
     * @param  list<array{zone: string, side: string, now?: float|int}>  $complaints
     * @param  list<array{muscle: string, side: string, tenderness?: int, familiar?: string}>  $felt
     * @param  bool  $clothed  for laypeople
     * @return string a piece of HTML
     */
    public function of(array $complaints, array $felt, bool $clothed = false): string
    {
        $marks = '';
        foreach (array_keys(BodyPicture::VIEWS) as $index => $view) {
            $at = BodyPicture::APART / 2 + $index * BodyPicture::APART;
            $marks .= "<g transform=\"translate($at 0)\">{$this->view($view, $complaints, $felt, $clothed)}</g>";
        }
        $wide = BodyPicture::APART * count(BodyPicture::VIEWS);
        $svg = sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" width="%1$d" height="%2$d" viewBox="0 0 %1$d %2$d">%3$s%4$s</svg>', $wide,
            BodyPicture::HEIGHT, $clothed ? '' : sprintf(
                '<image x="0" y="0" width="%d" height="%d" href="data:image/png;base64,%s"/>', $wide, BodyPicture::HEIGHT,
                base64_encode($this->body->png()),
            ), $marks,
        );

        return sprintf(
            '<img style="width: %.2Fcm; height: %.2Fcm" src="data:image/svg+xml;base64,%s"/>', self::WIDTH_CM,
            self::WIDTH_CM * BodyPicture::HEIGHT / $wide, base64_encode($svg),
        ).'<table class="quiet"><tr><td style="text-align: center">in front</td><td style="text-align: center">behind</td></tr></table>';
    }

    /**
     * What a shirt and shorts cover, and a face.
     *
     * @param  array<array-key, mixed>  $plate
     */
    private function clothes(array $plate): string
    {
        $half = '';
        foreach ((array) json_decode((string) file_get_contents(resource_path('js/chart/clothes.json')), true) as $garment => $begin) {
            foreach ($plate['zones'] as $zone) {
                if (array_filter((array) $begin, static fn (string $name): bool => str_starts_with($zone['id'], $name)) !== []) {
                    $half .= sprintf('<path d="%s" fill="%2$s" stroke="%2$s" stroke-width="2"/>', $zone['d'], self::CLOTHES[$garment]);
                }
            }
        }
        foreach ($plate['parts'] as $part) {
            foreach ([$part['hairline'] ?? '', ...array_column($part['lines'], 'd')] as $line) {
                $half .= $line === '' ? '' : "<path d=\"$line\" fill=\"none\" stroke=\"#8a7a6a\" stroke-width=\"1\"/>";
            }
        }

        return self::mirrored($half);
    }

    private static function mirrored(string $half): string
    {
        return "<g>$half</g><g transform=\"scale(-1 1)\">$half</g>";
    }

    /**
     * The outline of the plate on both sides of the midline.
     *
     * @param  array<array-key, mixed>  $plate
     */
    private function outline(array $plate): string
    {
        $half = implode('', array_map(
            static fn (array $part): string => "<path d=\"{$part['edge']}\" fill=\"none\" stroke=\"#5a4a3c\" stroke-width=\"2\"/>",
            $plate['parts'],
        ));

        return self::mirrored($half);
    }

    /**
     * @param  list<array{zone: string, side: string, now?: float|int}>  $complaints
     * @param  list<array{muscle: string, side: string, tenderness?: int, familiar?: string}>  $felt
     */
    private function view(string $view, array $complaints, array $felt, bool $clothed): string
    {
        $plate = BodyPicture::art($view);
        $places = BodyPicture::art('index')['plates'][$view];
        // from in front the client's left lies to the reader's right
        $signs = static fn (string $side): array => match ($side) {
            'midline' => [1, -1], 'left' => [$view === 'front' ? 1 : -1], default => [$view === 'front' ? -1 : 1],
        };
        $svg = ($clothed ? $this->clothes($plate) : '').$this->outline($plate);
        $zones = array_column($plate['zones'], 'd', 'id');
        foreach ($complaints as $one) {
            foreach (isset($zones[$one['zone']]) ? $signs($one['side']) : [] as $sign) {
                $svg .= sprintf(
                    '<g transform="scale(%d 1)"><path d="%s" fill="#8f2a20" fill-opacity="%.2f" stroke="#8f2a20" stroke-width="1.5"/></g>',
                    $sign, $zones[$one['zone']], 0.15 + min(10.0, (float) ($one['now'] ?? 3)) / 20,
                );
            }
        }
        foreach ($felt as $one) {
            $at = $places['muscles'][$one['muscle']]['c'] ?? null;
            foreach (is_array($at) ? $signs($one['side']) : [] as $sign) {
                $svg .= sprintf(
                    '<circle cx="%.1f" cy="%.1f" r="10" fill="%s" stroke="#2b1f17" stroke-width="%.1f"/>', $sign * $at[0], $at[1],
                    ($one['familiar'] ?? '') === 'yes' ? '#2b1f17' : '#ffffff', self::RIMS[$one['tenderness'] ?? 0] ?? 1,
                );
            }
        }

        return $svg;
    }
}
