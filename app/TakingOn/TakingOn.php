<?php

declare(strict_types=1);

namespace App\TakingOn;

use App\Access\AccessDenied;
use App\Access\Scope;
use App\Book\NumberNotFree;
use App\Book\RevisionWriter;
use App\Models\StockNumber;
use App\Models\TemplateApplication;
use App\Models\TenantRow;
use App\Time\Clock;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Str;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Stage;
use Jaunty\Core\Templates\Answers;
use Jaunty\Core\Templates\Expansion;
use Jaunty\Core\Templates\UnusableAnswers;

/** From a template and a customer's answers to a book: shown first, then entered whole or not at all. */
final readonly class TakingOn
{
    private const APPLICATION = 'taking-on';

    public function __construct(
        private Templates $templates,
        private Scope $scope,
        private RevisionWriter $revisions,
        private Clock $clock,
    ) {
    }

    /**
     * What would be made. Nothing is written.
     *
     * @param  array<string, string>  $given
     *
     * @throws UnusableAnswers with every answer at fault
     * @throws AccessDenied
     */
    public function preview(string $technicianId, string $templateKey, array $given): Expansion
    {
        $tenantId = (string) Str::uuid();

        return $this->scope->newTenant($technicianId, $tenantId, fn (): Expansion => $this->expand($templateKey, $given, $tenantId));
    }

    /**
     * Takes the customer on: the tenant, its number from stock, its objects and revision 1 in one transaction.
     *
     * @param  array<string, string>  $given
     *
     * @throws UnusableAnswers|AccessDenied
     */
    public function takeOn(string $technicianId, string $templateKey, array $given): TenantRow
    {
        $tenantId = (string) Str::uuid();
        try {
            return $this->scope->newTenant($technicianId, $tenantId, function () use ($technicianId, $templateKey, $given, $tenantId): TenantRow {
                $expansion = $this->expand($templateKey, $given, $tenantId);

                return $this->enter($technicianId, $templateKey, $given, $expansion, $tenantId);
            });
        } catch (UniqueConstraintViolationException) {
            throw new UnusableAnswers(['name' => 'another customer has this name; add the town or the street']);
        } catch (NumberNotFree $fault) {
            throw new UnusableAnswers(['mainNumber' => $fault->getMessage()]);
        }
    }

    /** @param array<string, string> $given */
    private function expand(string $templateKey, array $given, string $tenantId): Expansion
    {
        $found = $this->templates->newestOf($templateKey) ?? throw new UnusableAnswers(['template' => "there is no template called \"{$templateKey}\""]);
        $expansion = Expansion::of($found['template'], Answers::check($found['template'], $given), $tenantId, self::APPLICATION);
        $faults = [];
        if (TenantRow::query()->where('key', $expansion->book->tenant->key)->exists()) {
            $faults['name'] = 'another customer has this name; add the town or the street';
        }
        foreach ($expansion->book->ofKind(Kind::Number) as $number) {
            if (! StockNumber::query()->whereKey($number->key())->whereNull('tenant_id')->exists()) {
                $faults['mainNumber'] = "{$number->key()} is not a free number in stock";
            }
        }
        if ($faults !== []) {
            throw new UnusableAnswers($faults);
        }

        return $expansion;
    }

    /** @param array<string, string> $given */
    private function enter(string $technicianId, string $templateKey, array $given, Expansion $expansion, string $tenantId): TenantRow
    {
        $book = $expansion->book;
        $tenant = TenantRow::query()->create([
            'id' => $tenantId,
            'key' => $book->tenant->key,
            'name' => $book->tenant->name,
            'stage' => Stage::Building->value,
            'zone' => $book->tenant->zone,
            'head_revision' => 0,
            'looked_after_by' => $technicianId,
        ]);
        $version = $this->templates->newestOf($templateKey)['version'] ?? throw new \LogicException('the template has gone');
        TemplateApplication::query()->insert([
            'tenant_id' => $tenantId,
            'id' => (string) Str::uuid(),
            'template_version_id' => $version->id,
            'answers' => json_encode((object) $given, JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR),
            'made' => json_encode(BookFormat::toValue($book), JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR),
            'applied_at' => $this->clock->now(),
        ]);
        $this->revisions->begin($tenant, $technicianId, $book, $expansion->origins);

        return $tenant->refresh();
    }
}
