/** What can be taken away: one version of a tune in every form. Uses all other packages of files. */
package wildflourish.files.export;
