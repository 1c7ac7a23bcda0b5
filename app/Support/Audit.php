<?php

declare(strict_types=1);

namespace App\Support;

use App\Database\PatientConnection;
use App\Keeping\AuditChain;
use App\Keeping\AuditSpool;
use App\Keeping\Seal;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** Writes lines into the audit. They hold no name of a client and nothing they said: what it was about is told by its number. */
final readonly class Audit
{
    private const WAITS_MS = 1500;

    /** The deed of a command line, which nobody is signed in for. */
    public static function keeping(string $deed, string $detail): void
    {
        self::insert(['deed' => $deed, 'kind' => 'keeping', 'detail' => $detail, 'ip' => 'console', 'agent' => 'console']);
    }

    public static function write(
        AuditDeed $deed,
        ?User $user,
        string $ip,
        string $agent,
        ?int $client = null,
        ?int $visit = null,
        string $detail = '',
        bool $refused = false,
    ): void {
        self::insert([
            'clinic_id' => $user?->clinic_id, 'user_id' => $user?->id, 'client_id' => $client, 'visit_id' => $visit, 'deed' => $deed->words,
            'kind' => $deed->kind,
            'detail' => $detail, 'ip' => $ip, 'agent' => self::agent($agent), 'refused' => $refused ? 1 : 0,
        ]);
    }

    /** @param  array<string, mixed>  $line */
    private static function insert(array $line): void
    {
        $line = [
            ...$line, 'detail' => mb_substr((string) $line['detail'], 0, 300),
            'happened_at' => CarbonImmutable::now()->utc()->format('Y-m-d H:i:s'),
        ];
        $seal = Seal::own();
        $db = DB::connection();
        $database = (string) $db->getDatabaseName();
        $spool = AuditSpool::of($seal, $database);
        /** @param  list<array<string, mixed>>  $waiting */
        $add = static fn (array $waiting) => $db->transaction(
            static fn () => (new AuditChain($seal))->add(array_values([...$waiting, $line])),
        );
        $write = static fn () => $database === ':memory:' ? $add([]) : $spool->drain($add);
        // nobody's page fails or waits long because its line has to wait for somebody who is writing
        if (! $db instanceof PatientConnection || ! $db->ifFree(self::WAITS_MS, $write)) {
            $spool->keep($line);
        }
    }

    /** Enough to tell the tablet from the desk, not enough to follow anybody. */
    private static function agent(string $agent): string
    {
        $system = preg_match('/iPad|iPhone|Android|Windows|Mac OS X|CrOS|Linux/', $agent, $found) === 1 ? $found[0] : 'unknown system';
        $browser = preg_match('/(Edg|Firefox|HeadlessChrome|Chrome|Safari)\/(\d+)/', $agent, $named) === 1
            ? "{$named[1]} {$named[2]}"
            : 'unknown browser';

        return "$browser, $system";
    }
}
