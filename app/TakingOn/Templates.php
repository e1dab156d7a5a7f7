<?php

declare(strict_types=1);

namespace App\TakingOn;

use App\Models\TemplateVersion;
use Illuminate\Database\ConnectionInterface;
use Jaunty\Core\Identity\NameBasedUuid;
use Jaunty\Core\Templates\Template;

/** Templates as stored: the newest version of each, and the shipped ones put in when they changed. */
final readonly class Templates
{
    private const PARENT = '6f1d2f3e-5f0a-5a57-9d53-0d2b6a1c7e10';

    public function __construct(private ConnectionInterface $db)
    {
    }

    /** @return list<array{version: TemplateVersion, template: Template}> */
    public function newest(): array
    {
        $versions = TemplateVersion::query()->orderBy('template_id')->orderByDesc('no')->get()->unique('template_id');
        $all = $versions->map(static fn (TemplateVersion $version): array => [
            'version' => $version,
            'template' => Template::fromJson($version->body),
        ]);

        return array_values($all->sortBy(static fn (array $pair): string => $pair['template']->name)->all());
    }

    /** @return ?array{version: TemplateVersion, template: Template} */
    public function newestOf(string $key): ?array
    {
        foreach ($this->newest() as $pair) {
            if ($pair['template']->key === $key) {
                return $pair;
            }
        }

        return null;
    }

    /** Adds a version of every shipped template whose file is not the newest version already. */
    public function ship(string $folder): void
    {
        $files = glob("{$folder}/*.json");
        foreach ($files === false ? [] : $files as $file) {
            $json = (string) file_get_contents($file);
            $template = Template::fromJson($json);
            $id = NameBasedUuid::of(self::PARENT, $template->key);
            $newest = TemplateVersion::query()->where('template_id', $id)->orderByDesc('no')->first();
            if ($newest !== null && $newest->body === $json) {
                continue;
            }
            $no = ($newest === null ? 0 : $newest->no) + 1;
            $this->db->table('templates')->insertOrIgnore(['id' => $id, 'key' => $template->key]);
            TemplateVersion::query()->insert(
                ['id' => NameBasedUuid::of($id, (string) $no), 'template_id' => $id, 'no' => $no, 'body' => $json],
            );
        }
    }
}
