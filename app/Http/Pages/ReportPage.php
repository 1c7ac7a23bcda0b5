<?php

declare(strict_types=1);

namespace App\Http\Pages;

use App\Cases\CourseReport;
use App\Models\Client;
use App\Models\User;
use App\Models\Visit;
use App\Support\FigureSvg;
use App\Support\Paper;
use Carbon\CarbonImmutable;
use Somatrace\Core\Record\Wording;

/** A report of a course for the client or for whoever sent them, in plain or clinical words, with figures of then and now. */
final readonly class ReportPage
{
    public const READERS = ['client', 'referrer'];

    public function __construct(private CourseReport $report, private FigureSvg $figure, private Paper $paper)
    {
    }

    /**
     * @param  string  $for  of READERS; the client where it is none
     * @param  string  $words  plain, clinical or both; what suits the reader where it is none
     * @return array<string, mixed>
     */
    public function of(Client $client, User $user, string $for, string $words): array
    {
        $toClient = $for !== 'referrer';
        $wording = Wording::tryFrom($words) ?? ($toClient ? Wording::Plain : Wording::Both);
        $last = $this->report->last($client);

        return [
            'client' => ['id' => $client->public_id, 'name' => $client->name, 'code' => $client->code, 'words' => Words::of($client)],
            'clinic' => $user->clinic->name, 'for' => $toClient ? 'client' : 'referrer', 'wording' => $wording->value,
            'date' => $user->clinic->dateWords(CarbonImmutable::now()->setTimezone($user->clinic->timezone)),
            'born' => $toClient ? null : $user->clinic->dateWords($client->born_on),
            ...$last === null ? ['report' => null, 'figures' => null, 'therapist' => ''] : $this->told($last, $user, $toClient, $wording),
        ];
    }

    public function pdf(Client $client, User $user, string $for, string $words): string
    {
        $page = $this->of($client, $user, $for, $words);
        $figures = array_map(
            fn (array $one): string => $this->figure->of($one['complaints'], $one['felt']), $page['figures'] ?? [],
        );

        return $this->paper->pdf('papers.report', [...$page, 'drawn' => $figures]);
    }

    /** @return array{report: array<string, mixed>, figures: array<string, mixed>|null, therapist: string} */
    private function told(Visit $last, User $user, bool $toClient, Wording $wording): array
    {
        $last->people();
        $figures = $this->report->figures($last);

        return [
            'report' => $this->report->of($last, $user, $toClient, $wording)->toArray(), 'therapist' => $last->user->name,
            'figures' => $figures === null ? null : array_map(static fn (array $one): array => [
                ...$one, 'date' => $user->clinic->dateWords(CarbonImmutable::parse($one['date'])),
            ], $figures),
        ];
    }
}
