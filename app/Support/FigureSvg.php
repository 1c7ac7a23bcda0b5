<?php

declare(strict_types=1);

namespace App\Support;

/**
 * The figure for paper: front and back, with where it hurts and what was tender. Drawn from the same art as on the screen, as plain shapes,
 * since what makes a PDF understands no more.
 */
final readonly class FigureSvg
{
    private const VIEWS = ['front', 'back'];

    /** From midline to midline, and the height of the plates. */
    private const APART = 500;

    private const HEIGHT = 1070;

    /** Rim of a ring by tenderness 0 to 4. */
    private const RIMS = [0.8, 1.8, 3, 4.2, 5.6];

    /**
     * @param  list<array{zone: string, side: string, now: float|int}>  $complaints
     * @param  list<array{muscle: string, side: string, tenderness?: int, familiar?: string}>  $felt
     */
    public function of(array $complaints, array $felt): string
    {
        $svg = '';
        foreach (self::VIEWS as $index => $view) {
            $svg .= sprintf(
                '<g transform="translate(%d 0)">%s</g>', self::APART / 2 + $index * self::APART, $this->view($view, $complaints, $felt),
            );
        }

        return sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" width="%1$d" height="%2$d" viewBox="0 0 %1$d %2$d">%3$s</svg>', self::APART * 2,
            self::HEIGHT, $svg,
        );
    }

    /**
     * @param  list<array{zone: string, side: string, now: float|int}>  $complaints
     * @param  list<array{muscle: string, side: string, tenderness?: int, familiar?: string}>  $felt
     */
    private function view(string $view, array $complaints, array $felt): string
    {
        $plate = $this->art($view);
        $places = $this->art('index')['plates'][$view];
        // from in front the client's left lies to the reader's right
        $signs = static fn (string $side): array => match ($side) {
            'midline' => [1, -1], 'left' => [$view === 'front' ? 1 : -1], default => [$view === 'front' ? -1 : 1],
        };
        $svg = '';
        foreach ([1, -1] as $sign) {
            $half = '';
            foreach ($plate['parts'] as $part) {
                $half
                    .= "<path d=\"{$part['skin']}\" fill=\"#faf6ee\" stroke=\"none\"/><path d=\"{$part['edge']}\" fill=\"none\" stroke=\"#5a4a3c\" stroke-width=\"1.6\"/>";
            }
            $svg .= "<g transform=\"scale($sign 1)\">$half</g>";
        }
        $zones = array_column($plate['zones'], 'd', 'id');
        foreach ($complaints as $one) {
            foreach (isset($zones[$one['zone']]) ? $signs($one['side']) : [] as $sign) {
                $svg .= sprintf(
                    '<g transform="scale(%d 1)"><path d="%s" fill="#8f2a20" fill-opacity="%.2f" stroke="#8f2a20" stroke-width="1.5"/></g>',
                    $sign, $zones[$one['zone']], 0.15 + min(10.0, (float) $one['now']) / 20,
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

        return $svg.'<text x="0" y="1056" font-size="30" text-anchor="middle" fill="#5a4a3c" font-family="DejaVu Sans">'.(
            $view === 'front' ? 'right – in front – left' : 'left – behind – right'
        ).'</text>';
    }

    /** @return array<string, mixed> */
    private function art(string $name): array
    {
        return (array) json_decode((string) file_get_contents(resource_path("js/chart/art/$name.generated.json")), true);
    }
}
