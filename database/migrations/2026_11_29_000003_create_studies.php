<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class () extends Migration {
    public function up(): void
    {
        Schema::create('studies', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('project_id')->constrained()->cascadeOnDelete();
            // What is varied: a revision, which never changes.
            $table->foreignId('variant_id')->constrained()->cascadeOnDelete();
            $table->foreignId('revision_id')->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->nullable()->constrained()->nullOnDelete();
            $table->string('name', 80);
            $table->string('grade', 10);
            $table->json('plan');
            $table->json('names');
            $table->boolean('paused')->default(false);
            $table->timestamps(3);
        });
        Schema::create('study_points', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('study_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('number');
            $table->json('texts');
            $table->json('numbers');
            $table->string('state', 10)->default('waiting');
            $table->text('message')->nullable();
            $table->foreignId('variant_id')->nullable()->constrained()->nullOnDelete();
            $table->foreignId('run_id')->nullable()->constrained()->nullOnDelete();
            $table->double('worst_margin')->nullable();
            $table->double('seconds')->nullable();
            $table->json('readings')->nullable();
            $table->timestamp('updated_at', 3)->nullable();
            $table->unique(['study_id', 'number']);
            $table->index(['study_id', 'state']);
            $table->index(['study_id', 'updated_at']);
        });
        Schema::table('variants', function (Blueprint $table): void {
            // The model of a point of a study, which no list of variants shows until it is made one.
            $table->foreignId('study_id')->nullable()->constrained()->cascadeOnDelete();
        });
    }

    public function down(): void
    {
        Schema::table('variants', fn (Blueprint $table) => $table->dropConstrainedForeignId('study_id'));
        Schema::dropIfExists('study_points');
        Schema::dropIfExists('studies');
    }
};
