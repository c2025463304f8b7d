export default {
  spec_dir: 'dist/src',
  spec_files: ['**/*.spec.js'],
  helpers: ['../testing/patience.js'],
  env: { random: true, forbidDuplicateNames: true },
};
