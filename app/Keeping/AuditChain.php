<?php

declare(strict_types=1);

namespace App\Keeping;

use Illuminate\Database\Connection;
use Illuminate\Support\Facades\DB;

/**
 * Lines of the audit, each bound to the one before it. Their numbers run on without a gap. How far the chain has come is also written
 * beside the key, so that lines taken off its end are missed as well.
 */
final readonly class AuditChain
{
    private const PARTS = [
        'id', 'clinic_id', 'user_id', 'client_id', 'visit_id', 'deed', 'kind', 'detail', 'ip', 'agent', 'happened_at', 'refused',
    ];

    public function __construct(private Seal $seal, private ?string $connection = null)
    {
    }

    /**
     * Adds lines; within a transaction, since the one before must not change meanwhile.
     *
     * @param  list<array<string, mixed>>  $lines
     */
    public function add(array $lines): void
    {
        $db = $this->db();
        $last = $db->table('audit_lines')->orderByDesc('id')->first(['id', 'chain']);
        [$id, $chain] = [(int) ($last->id ?? 0), (string) ($last->chain ?? '')];
        foreach ($lines as $line) {
            $row = [
                'id' => ++$id, 'clinic_id' => null, 'user_id' => null, 'client_id' => null, 'visit_id' => null, 'refused' => 0, ...$line,
            ];
            $chain = $this->link($chain, $row);
            $db->table('audit_lines')->insert([...$row, 'chain' => $chain]);
        }
        $db->afterCommit(fn () => $this->remember($id, $chain));
    }

    /** @return string|null the first place where the chain is broken, in words; null when it is whole */
    public function fault(): ?string
    {
        $before = 0;
        $chain = '';
        $at = [];
        $head = $this->remembered();
        foreach ($this->db()->table('audit_lines')->orderBy('id')->cursor() as $row) {
            $id = (int) $row->id;
            if ($id !== $before + 1) {
                return $id === $before + 2
                    ? 'Line '.($before + 1).' was taken away.'
                    : 'Lines '.($before + 1).' to '.($id - 1).' were taken away.';
            }
            $expected = $this->link($chain, (array) $row);
            if (! hash_equals($expected, (string) $row->chain)) {
                return "Line $id, of {$row->happened_at}, is not as it was written, or was put there by hand.";
            }
            $before = $id;
            $chain = $expected;
            if ($head !== null && $id === $head['id']) {
                $at = ['chain' => $chain];
            }
        }
        if ($head !== null && $head['id'] > $before) {
            return 'Lines '.($before + 1)." to {$head['id']} were taken off the end.";
        }

        return $head !== null && $head['id'] > 0 && ! hash_equals($head['chain'], $at['chain'] ?? '')
            ? "Line {$head['id']} is another than the one remembered beside the key."
            : null;
    }

    public function count(): int
    {
        return $this->db()->table('audit_lines')->count();
    }

    /** Seals what stands there, as it stands: for a database that is new under this key. The guards must be off. */
    public function sealAnew(): void
    {
        $db = $this->db();
        $chain = '';
        $number = 0;
        foreach ($db->table('audit_lines')->orderBy('id')->pluck('id')->all() as $id) {
            $row = (array) $db->table('audit_lines')->where('id', $id)->first();
            $row['id'] = ++$number;
            $chain = $this->link($chain, $row);
            $db->table('audit_lines')->where('id', $id)->update(['id' => $number, 'chain' => $chain]);
        }
    }

    /** Whatever was remembered of another database under this name holds no more. */
    public function rememberEnd(): void
    {
        $last = $this->db()->table('audit_lines')->orderByDesc('id')->first(['id', 'chain']);
        if ($this->path() !== null) {
            @unlink($this->path());
        }
        $this->remember((int) ($last->id ?? 0), (string) ($last->chain ?? ''));
    }

    /** @param  array<array-key, mixed>  $row */
    private function link(string $before, array $row): string
    {
        return $this->seal->mac(
            $before,
            ...array_map(static fn (string $part): string => is_scalar($row[$part] ?? null) ? (string) $row[$part] : '', self::PARTS),
        );
    }

    private function db(): Connection
    {
        return DB::connection($this->connection);
    }

    /** Only ever forward: of two that finish at once the later one stays. */
    private function remember(int $id, string $chain): void
    {
        $path = $this->path();
        if ($path === null || $id === 0) {
            return;
        }
        $file = fopen($path, 'c+b');
        if ($file === false) {
            return; // the chain itself stands in the database
        }
        @chmod($path, 0600);
        flock($file, LOCK_EX);
        $known = $this->parsed((string) stream_get_contents($file));
        if ($known === null || $known['id'] < $id) {
            ftruncate($file, 0);
            rewind($file);
            fwrite($file, "$id $chain ".$this->seal->mac('end', (string) $id, $chain)."\n");
            fflush($file);
        }
        fclose($file);
    }

    /** @return array{id: int, chain: string}|null */
    private function remembered(): ?array
    {
        $path = $this->path();

        return $path === null || ! is_file($path) ? null : $this->parsed((string) file_get_contents($path));
    }

    /** @return array{id: int, chain: string}|null */
    private function parsed(string $text): ?array
    {
        $parts = explode(' ', trim($text));

        return count($parts) === 3 && hash_equals($this->seal->mac('end', $parts[0], $parts[1]), $parts[2])
            ? ['id' => (int) $parts[0], 'chain' => $parts[1]]
            : null;
    }

    /** One for each database; none for one that lives in memory. */
    private function path(): ?string
    {
        $database = (string) $this->db()->getDatabaseName();

        return $database === ':memory:' || $this->seal->folder === ''
            ? null
            : $this->seal->folder.'/end-'.substr(hash('sha256', realpath($database) ?: $database), 0, 16);
    }
}
